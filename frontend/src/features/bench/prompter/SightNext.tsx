// What to sight next and why; or that it is enough.
import { Button } from "antd";
import { useEffect, useState } from "react";
import type { Bench, Prompt } from "../../../api/types";
import { Said } from "../../../shared/Said";
import { Enough } from "./Enough";
import styles from "./Prompter.module.css";
import type { Next } from "./useNext";

/** Until the suggestions are there. */
export const WORKING_OUT = "Working out what to sight next…";

type Props = {
  bench: Bench;
  next: Next;
  onTake: (prompt: Prompt) => void;
  /** The suggestion pointed at, so that the picture can show what it would gain. */
  onPoint: (prompt: Prompt | null) => void;
  onSetUp: () => void;
};

export function SightNext({ bench, next, onTake, onPoint, onSetUp }: Props) {
  const { prompt, stale } = next;
  const [over, setOver] = useState(false);
  // What it would gain is drawn while it is pointed at, also when another one takes its place.
  useEffect(() => onPoint((over && prompt) || null), [over, prompt, onPoint]);
  return (
    <section
      aria-label="Sight next"
      data-stale={stale}
      onPointerEnter={() => setOver(true)}
      onPointerLeave={() => setOver(false)}
      onFocus={() => setOver(true)}
      onBlur={() => setOver(false)}
    >
      <h2 className={styles.label}>{heading(next)}</h2>
      {prompt && (
        <>
          <p className={styles.ask}>{prompt.ask}</p>
          <p className={styles.because}>
            <Said text={prompt.because} />
          </p>
          <div className={styles.actions}>
            <Button
              type="primary"
              disabled={stale}
              onClick={() => onTake(prompt)}
              aria-keyshortcuts="Shift+N"
              aria-label={`Take it: ${prompt.ask}`}
            >
              Take it <kbd>Shift N</kbd>
            </Button>
            <Button onClick={next.another} disabled={stale || next.only}>
              Another
            </Button>
          </div>
        </>
      )}
      <Enough study={bench.id} next={next} />
      {!prompt && !next.enough && (
        <p className={styles.because}>{next.data ? firstSteps(bench) : WORKING_OUT}</p>
      )}
      {!bench.unit && (
        <Button type="primary" onClick={onSetUp}>
          To the set-up
        </Button>
      )}
    </section>
  );
}

function heading({ prompt }: Next): string {
  if (prompt?.control) {
    return "Is it the same place?";
  }
  return prompt?.checks.length ? "Check next" : "Sight next";
}

function firstSteps(bench: Bench): string {
  if (!bench.landmarks.length) {
    return "No landmarks yet: add the first in the set-up.";
  }
  if (!bench.unit) {
    return "No unit yet: choose one in the set-up, then count everything in it.";
  }
  return "Nothing more to ask: every reading that could be taken would add little.";
}
