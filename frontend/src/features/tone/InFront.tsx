// What stands before what, pair by pair; from it the weight of every line.
import { Button } from "antd";
import { useState } from "react";
import type { Bench, Change, ToneRoom } from "../../api/types";
import styles from "./Tone.module.css";

type Props = { bench: Bench; room: ToneRoom; tell: (change: Change) => Promise<boolean> };

export function InFront({ bench, room, tell }: Props) {
  const [front, setFront] = useState("");
  const options = (without: string) =>
    bench.shapes
      .filter((each) => each.id !== without)
      .map((each) => (
        <option key={each.id} value={each.id}>
          {each.name}
        </option>
      ));
  return (
    <>
      <p className={styles.note}>
        Who overlaps whom fixes what is near. Nearer lines are drawn darker, lines inside a form
        lighter than its outer edge, an edge that runs back fades.
      </p>
      <div className={styles.own}>
        <select
          aria-label="The nearer shape"
          value={front}
          onChange={(e) => setFront(e.target.value)}
        >
          <option value="">in front…</option>
          {options("")}
        </select>
        before
        <select
          aria-label="The farther shape"
          value=""
          disabled={!front}
          onChange={(e) =>
            tell({ type: "put_overlap", overlap: { front, behind: e.target.value } })
          }
        >
          <option value="">behind…</option>
          {options(front)}
        </select>
      </div>
      {room.subject.kind === "scene" && (
        <Button onClick={() => tell({ type: "scene_overlaps" })}>From the scene</Button>
      )}
      <ul className={styles.areas}>
        {room.overlaps.map((each) => (
          <li key={each.said} className={styles.pair}>
            <span>{each.said}</span>
            <Button
              type="text"
              size="middle"
              aria-label={`Take back ${each.said}`}
              onClick={() =>
                tell({
                  type: "remove_overlap",
                  overlap: { front: each.front, behind: each.behind },
                })
              }
            >
              Take back
            </Button>
          </li>
        ))}
      </ul>
      {room.layers.length > 0 && <h3>From front to back</h3>}
      {room.layers.map((each) => (
        <p key={each}>{each}</p>
      ))}
    </>
  );
}
