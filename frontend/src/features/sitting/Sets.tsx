// Sets of poses and rests to choose from, and a set of one's own.
import { useQueryClient } from "@tanstack/react-query";
import { Button } from "antd";
import { useState } from "react";
import { ApiError, api } from "../../api/client";
import type { SittingRoom as Room } from "../../api/types";
import { askAgain } from "./askAgain";
import { OwnSet } from "./OwnSet";
import styles from "./Sitting.module.css";

/** What is chosen when there is only one pose of so many minutes. */
export const ONE_POSE = " one pose";

type Props = {
  room: Room;
  chosen: string;
  own: number;
  onChoose: (name: string) => void;
  onOwn: (minutes: number) => void;
};

export function Sets({ room, chosen, own, onChoose, onOwn }: Props) {
  const client = useQueryClient();
  const [making, setMaking] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const again = () => askAgain(client);
  const drop = async (name: string) => {
    try {
      await api.dropPoses(name);
      setTrouble(null);
      await again();
    } catch (error) {
      setTrouble(error instanceof ApiError ? error.sentence : String(error));
    }
  };
  const longest = Math.max(...room.sets.map((each) => minutesOf(each.blocks)));
  return (
    <div className={styles.sets}>
      {[...room.sets_trouble, ...(trouble ? [trouble] : [])].map((each) => (
        <p key={each} role="alert" className={styles.bad}>
          {each}
        </p>
      ))}
      {room.sets.map((each) => (
        <div key={each.name} className={styles.set}>
          <button
            type="button"
            aria-pressed={chosen === each.name}
            onClick={() => onChoose(each.name)}
          >
            <span>{each.title}</span>
            <Bar blocks={each.blocks} longest={longest} />
          </button>
          {each.own && (
            <Button
              size="large"
              type="text"
              aria-label={`Take away: ${each.title}`}
              onClick={() => drop(each.name)}
            >
              Take away
            </Button>
          )}
        </div>
      ))}
      <label data-on={chosen === ONE_POSE}>
        <span>One pose of my own</span>
        <input
          type="number"
          min={1}
          max={600}
          value={own}
          onFocus={() => onChoose(ONE_POSE)}
          onChange={(event) => {
            onChoose(ONE_POSE);
            onOwn(Math.min(Math.max(Number(event.target.value) || 1, 1), 600));
          }}
        />
        <span>minutes</span>
      </label>
      {making ? (
        <OwnSet
          onKept={async (name) => {
            setMaking(false);
            await again();
            onChoose(name);
          }}
          onLeave={() => setMaking(false)}
        />
      ) : (
        <Button size="large" onClick={() => setMaking(true)}>
          A set of my own
        </Button>
      )}
    </div>
  );
}

type Blocks = Room["sets"][number]["blocks"];

function minutesOf(blocks: Blocks): number {
  return blocks.reduce((sum, each) => sum + each.minutes, 0);
}

/** Poses and rests as lengths, all sets to one scale. */
function Bar({ blocks, longest }: { blocks: Blocks; longest: number }) {
  return (
    <span className={styles.bar} aria-hidden="true">
      {blocks.map((each, i) => (
        <i
          // biome-ignore lint/suspicious/noArrayIndexKey: blocks are told apart by their order alone
          key={i}
          data-kind={each.kind}
          style={{ width: `${(100 * each.minutes) / longest}%` }}
        />
      ))}
    </span>
  );
}
