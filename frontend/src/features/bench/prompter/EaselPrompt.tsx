// Hands full: the one thing to sight now, large enough to be read from the easel.
import { Button } from "antd";
import type { Bench, Prompt } from "../../../api/types";
import styles from "./EaselPrompt.module.css";
import { Progress } from "./Progress";
import { WORKING_OUT } from "./Prompter";

type Props = {
  bench: Bench;
  prompt: Prompt | undefined;
  /** Whether the suggestions are there yet. */
  known: boolean;
  onAnother: () => void;
  onLeave: () => void;
  onUndo: () => void;
  /** The two landmarks asked for, on subject and sheet. */
  children: React.ReactNode;
};

export function EaselPrompt({ bench, prompt, known, onAnother, onLeave, onUndo, children }: Props) {
  const doubts = bench.doubts.filter((each) => !each.kept).length;
  return (
    <div className={styles.easel}>
      <p className={styles.ask} aria-live="polite">
        {prompt?.ask ??
          (known
            ? "Nothing more is worth sighting: every landmark is held and checked."
            : WORKING_OUT)}
      </p>
      <div className={styles.row}>
        <Button size="large" onClick={onAnother} disabled={!prompt}>
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
        <Button size="large" onClick={onLeave}>
          Leave the easel
        </Button>
        {doubts > 0 && (
          <span className={styles.doubt}>
            {doubts === 1 ? "One reading doesn't agree" : `${doubts} readings don't agree`}: look at
            the bench.
          </span>
        )}
      </div>
      <div className={styles.picture}>{children}</div>
      <Progress bench={bench} />
    </div>
  );
}
