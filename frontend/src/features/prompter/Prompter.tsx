// Beside the picture: what to sight next and why, and what no longer agrees.
import { Button } from "antd";
import type { Bench, Prompt, Prompts } from "../../api/types";
import { Said } from "../../shared/Said";
import styles from "./Prompter.module.css";

type Props = {
  bench: Bench;
  prompts: Prompts | undefined;
  /** Which of the suggestions is shown. */
  turn: number;
  onTake: (prompt: Prompt) => void;
  onAnother: () => void;
  onAgain: (sighting: string) => void;
  onStrike: (sighting: string) => void;
  onPoint: (sighting: string | null) => void;
};

export function Prompter(props: Props) {
  const { bench, prompts, turn } = props;
  const all = prompts ? [...prompts.sightings, ...prompts.checks] : [];
  const prompt = all.length ? all[turn % all.length] : undefined;
  return (
    <div className={styles.prompter}>
      <section aria-label="Sight next">
        <h2 className={styles.label}>{prompt?.checks.length ? "Check next" : "Sight next"}</h2>
        {prompt ? (
          <>
            <p className={styles.ask}>{prompt.ask}</p>
            <p className={styles.because}>
              <Said text={prompt.because} />
            </p>
            <div className={styles.actions}>
              <Button
                type="primary"
                onClick={() => props.onTake(prompt)}
                aria-keyshortcuts="Shift+N"
              >
                Take it <kbd>Shift N</kbd>
              </Button>
              <Button onClick={props.onAnother} disabled={all.length < 2}>
                Another
              </Button>
            </div>
          </>
        ) : (
          <p className={styles.because}>{firstSteps(bench)}</p>
        )}
      </section>
      {bench.doubts.slice(0, 3).map((doubt) => (
        <section
          key={doubt.sighting}
          aria-label="Doesn't agree"
          onPointerEnter={() => props.onPoint(doubt.sighting)}
          onPointerLeave={() => props.onPoint(null)}
        >
          <h2 className={`${styles.label} ${styles.chalk}`}>Doesn't agree</h2>
          <p className={styles.said}>
            <Said text={doubt.headline} />
          </p>
          <p className={styles.because}>
            <Said text={doubt.detail} />
          </p>
          <div className={styles.actions}>
            <Button onClick={() => props.onAgain(doubt.sighting)}>Sight again</Button>
            <Button onClick={() => props.onStrike(doubt.sighting)}>Strike</Button>
          </div>
        </section>
      ))}
      {bench.takes
        .filter((each) => each.warning)
        .slice(0, 1)
        .map((each) => (
          <section key={each.name} aria-label="A take that drifts">
            <h2 className={`${styles.label} ${styles.chalk}`}>A take that drifts</h2>
            <p className={styles.because}>{each.warning}</p>
          </section>
        ))}
    </div>
  );
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
