// What is off, in words; the few moves that repair it, big to small; what the stage has earned.
import { Button, Checkbox } from "antd";
import { Link } from "react-router";
import type { Change, CheckRoom, CheckVerdict } from "../../api/types";
import { Said } from "../../shared/Said";
import styles from "./Check.module.css";
import { Gates } from "./Gates";
import list from "./Verdict.module.css";

type Props = {
  room: CheckRoom;
  verdict: CheckVerdict;
  at: number;
  onAt: (at: number) => void;
  tell: (change: Change, done?: string) => Promise<boolean>;
  onMeasure: () => void;
  trouble: string | null;
};

export function VerdictPane({ room, verdict, at, onAt, tell, onMeasure, trouble }: Props) {
  const open = verdict.moves.filter((each) => !each.done).length;
  const tick = async (number: number, done: boolean) => {
    await tell({ type: "tick_move", check: verdict.check, number, done });
    const next = verdict.moves.findIndex((each, i) => i !== number && !each.done);
    if (done && next >= 0) {
      onAt(next);
    }
  };
  return (
    <>
      <h2 data-sound={!verdict.off} role="status" className={styles.verdict}>
        {verdict.said}
      </h2>
      <div className={styles.scroll}>
        {verdict.faults.map((each) => (
          <p key={each.said} className={styles.large}>
            <Said text={each.said} />
          </p>
        ))}
        <Notes of={verdict.since} />
        <Notes of={verdict.decide ? [verdict.decide] : []} before />
        <Notes of={[...verdict.suspects, ...room.drifted]} before />
        <Notes of={verdict.runner_up ? [verdict.runner_up] : []} />
        {verdict.guesses.length > 0 && (
          <section>
            <h3>Your eye, and the measure</h3>
            <ul className={styles.guesses}>
              {verdict.guesses.map((each) => (
                <li key={each.eye} data-right={each.right}>
                  <b>{each.right ? "✓" : each.right === false ? "×" : "·"}</b> {each.eye}.{" "}
                  <em>
                    <Said text={each.found} />
                  </em>
                </li>
              ))}
            </ul>
          </section>
        )}
        {verdict.moves.length > 0 && (
          <section>
            <h3>To do, in this order</h3>
            <ol className={list.moves}>
              {verdict.moves.map((each, i) => (
                <li key={each.said} aria-current={i === at} data-done={each.done}>
                  <Checkbox
                    checked={each.done}
                    aria-label={`Done: ${each.said}`}
                    onChange={(event) => tick(i, event.target.checked)}
                  />
                  <button type="button" onClick={() => onAt(i)}>
                    <Said text={each.said} />
                  </button>
                </li>
              ))}
            </ol>
          </section>
        )}
        <Notes of={[verdict.judged]} />
        <Gates room={room} tell={tell} />
        {room.habits.map((each) => (
          <p key={each} className={styles.note}>
            {each} <Link to="/practice">Practise it</Link>
          </p>
        ))}
      </div>
      {trouble && (
        <p role="alert" className={styles.bad}>
          {trouble}
        </p>
      )}
      <div className={styles.row}>
        <Button type={open ? "default" : "primary"} size="large" onClick={onMeasure}>
          {verdict.moves.length > 0 && !open ? "All done: measure again" : "Measure again"}
        </Button>
      </div>
    </>
  );
}

/** Sentences; set off where they come before anything is moved. */
function Notes({ of, before }: { of: readonly string[]; before?: boolean }) {
  return of.map((each) => (
    <p key={each} className={before ? styles.suspect : styles.note}>
      <Said text={each} />
    </p>
  ));
}
