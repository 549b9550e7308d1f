// The sitting's clock in the head of every room, quiet; without a sitting, the way to one.
import { Link } from "react-router";
import type { Bench } from "../api/types";
import styles from "./SittingChip.module.css";
import { asMinutes, KIND_WORDS, useSittingClock } from "./sittingClock";

export function SittingChip({ bench, here }: { bench: Bench; here: boolean }) {
  const at = useSittingClock(bench.clock);
  const clock = bench.clock;
  if (clock?.of_set && at?.block === null) {
    const last = clock.pose === clock.poses;
    return (
      <Link
        className={styles.chip}
        to={`/poses/${clock.of_set}${last ? "" : `/${(clock.pose ?? 0) + 1}`}`}
        data-clock="over"
      >
        <b>{last ? "All side by side" : "Next pose"}</b>
      </Link>
    );
  }
  return (
    <Link
      className={styles.chip}
      to={`/studies/${bench.id}/sitting`}
      aria-current={here ? "page" : undefined}
      data-clock={at?.kind}
    >
      {at ? (
        <>
          <span className={at.block === null ? "" : styles.word}>
            {KIND_WORDS[at.kind]}
            {clock?.of_set ? ` ${clock.pose} of ${clock.poses}` : ""}
          </span>
          {at.block !== null && <b>{asMinutes(at.secondsLeft)}</b>}
        </>
      ) : (
        <>
          <svg className={styles.sign} viewBox="0 0 24 24" aria-hidden="true">
            <circle cx="12" cy="13" r="8.5" />
            <path d="M12 8v5l3 2.5M9 2h6" />
          </svg>
          <span className={styles.word}>Sitting</span>
        </>
      )}
    </Link>
  );
}
