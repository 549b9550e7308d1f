// Hands full: the one thing to sight now, large enough to be read from the easel.
import { Button } from "antd";
import { useEffect } from "react";
import type { Bench, Change } from "../../../api/types";
import { SittingChip } from "../../../shared/SittingChip";
import { useAwake } from "../../../shared/useAwake";
import { useVoice } from "../../../shared/useVoice";
import styles from "./EaselPrompt.module.css";
import { Enough } from "./Enough";
import { Progress } from "./Progress";
import { Shifted } from "./Shifted";
import { WORKING_OUT } from "./SightNext";
import type { Next } from "./useNext";

type Props = {
  bench: Bench;
  next: Next;
  onLeave: () => void;
  onUndo: () => void;
  make: (change: Change) => void;
  /** The two landmarks asked for, on subject and sheet. */
  children: React.ReactNode;
};

export function EaselPrompt({ bench, next, onLeave, onUndo, make, children }: Props) {
  const { prompt } = next;
  const dark = useAwake();
  const voice = useVoice();
  const { on, say } = voice;
  const ask = next.stale ? "" : (prompt?.ask ?? "");
  useEffect(() => {
    if (on && ask) {
      say(ask);
    }
  }, [on, say, ask]);
  const doubts = bench.doubts.filter((each) => !each.kept).length;
  return (
    <div className={styles.easel}>
      {next.data?.shifted ? (
        <Shifted shifted={next.data.shifted} make={make} />
      ) : next.enough ? (
        <Enough study={bench.id} next={next} />
      ) : (
        <p
          className={styles.ask}
          aria-live={on ? "off" : "polite"}
          data-stale={next.stale}
          data-asked={prompt && [prompt.kind, prompt.start, prompt.end, prompt.along].join(" ")}
        >
          {prompt?.ask ?? nothing(next)}
        </p>
      )}
      <div className={styles.row}>
        <Button size="large" onClick={next.another} disabled={!prompt || next.stale || next.only}>
          Another
        </Button>
        <Button
          size="large"
          onClick={onUndo}
          disabled={!bench.undo}
          title={bench.undo ?? "Nothing to undo"}
        >
          Undo
        </Button>
        {voice.can && (
          <Button size="large" aria-pressed={on} onClick={voice.turn}>
            {on ? "Silent" : "Say it aloud"}
          </Button>
        )}
        {on && (
          <Button size="large" disabled={!ask} onClick={() => say(ask)}>
            Again
          </Button>
        )}
        <Button size="large" onClick={onLeave}>
          Leave the easel
        </Button>
        {bench.clock && <SittingChip bench={bench} here={false} />}
        {doubts > 0 && (
          <span className={styles.doubt}>
            {doubts === 1 ? "One reading doesn't agree" : `${doubts} readings don't agree`}: look at
            the bench.
          </span>
        )}
      </div>
      <div className={styles.picture}>{children}</div>
      <Progress bench={bench} />
      {dark && <p className={styles.dark}>{dark}</p>}
    </div>
  );
}

function nothing({ awaits, data }: Next): string {
  if (awaits) {
    return "All that was asked is read. What comes next is worked out once Zirkel answers.";
  }
  return data ? "Nothing more to ask: it would add little." : WORKING_OUT;
}
