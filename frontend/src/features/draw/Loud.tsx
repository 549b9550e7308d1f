// Dictated with full hands: one thing, huge; the next by one key, a tap anywhere, or after a while.
import { Button } from "antd";
import { useEffect, useState } from "react";
import type { Bench, RecipeRoom } from "../../api/types";
import { Choice } from "../../shared/Choice";
import { SittingChip } from "../../shared/SittingChip";
import { useAwake } from "../../shared/useAwake";
import { useVoice } from "../../shared/useVoice";
import { NEXT, Sentence } from "./Dictation";
import styles from "./Loud.module.css";
import { RecipeSheet } from "./RecipeSheet";

type Props = {
  bench: Bench;
  room: RecipeRoom;
  at: number;
  onGo: (to: number) => void;
  onLeave: () => void;
  onDrawn: () => void;
};

const PACES = [
  { value: 0, label: "I say when" },
  { value: 10, label: "every 10 s" },
  { value: 20, label: "20 s" },
  { value: 40, label: "40 s" },
];

export function Loud({ bench, room, at, onGo, onLeave, onDrawn }: Props) {
  const [pace, setPace] = useState(0);
  const dark = useAwake();
  const now = room.dictation[at];
  const last = at >= room.dictation.length - 1;
  const voice = useVoice();
  const { on, say } = voice;
  useEffect(() => {
    const item = room.dictation[at];
    if (on && item) {
      say(item.said);
    }
  }, [on, say, at, room.dictation]);
  useEffect(() => {
    if (!pace || last) {
      return;
    }
    const waiting = window.setTimeout(() => onGo(at + 1), pace * 1000);
    return () => window.clearTimeout(waiting);
  }, [pace, at, last, onGo]);
  return (
    <div className={styles.loud}>
      {/* biome-ignore lint/a11y/useKeyWithClickEvents: a tap anywhere; keys are the room's own */}
      {/* biome-ignore lint/a11y/noStaticElementInteractions: the button below does the same */}
      <div className={styles.ground} data-dictated={at} onClick={() => !last && onGo(at + 1)}>
        {/* Said once: by the voice, or by what reads the screen. */}
        <div className={styles.words} aria-live={on ? "off" : "assertive"}>
          <small>
            {at + 1} of {room.dictation.length}
            {dark && at === 0 && <span> {dark}</span>}
          </small>
          {now && <Sentence text={now.said} />}
        </div>
        <RecipeSheet bench={bench} room={room} at={at} grid={false} />
      </div>
      <div className={styles.bar}>
        <Button size="large" onClick={() => onGo(at - 1)} disabled={at === 0}>
          Before
        </Button>
        {last ? (
          <Button type="primary" size="large" onClick={onDrawn}>
            All drawn: check it
          </Button>
        ) : (
          <Button type="primary" size="large" onClick={() => onGo(at + 1)}>
            {now ? (NEXT[now.kind] ?? "Next") : "Next"} <kbd>Space</kbd>
          </Button>
        )}
        {voice.can ? (
          <Button size="large" aria-pressed={on} onClick={voice.turn}>
            {on ? "Silent" : "Say it aloud"}
          </Button>
        ) : (
          <span>This browser has no voice to say it aloud.</span>
        )}
        {on && (
          <>
            <Button size="large" onClick={() => say(now?.said ?? "")}>
              Again
            </Button>
            <Button size="large" aria-pressed={voice.slow} onClick={voice.slower}>
              Slower
            </Button>
          </>
        )}
        <Choice
          options={PACES}
          value={pace}
          onChange={(value) => setPace(Number(value))}
          aria-label="When the next is said"
        />
        {bench.clock && <SittingChip bench={bench} here={false} />}
        <Button size="large" onClick={onLeave}>
          Leave <kbd>Esc</kbd>
        </Button>
      </div>
    </div>
  );
}
