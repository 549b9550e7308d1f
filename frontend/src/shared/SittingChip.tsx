// The sitting's clock in the head of every room, quiet; without a sitting, the way to one.
import { Link } from "react-router";
import type { Bench } from "../api/types";
import styles from "./SittingChip.module.css";
import { asMinutes, KIND_WORDS, useSittingClock } from "./sittingClock";

export function SittingChip({ bench, here }: { bench: Bench; here: boolean }) {
  const at = useSittingClock(bench.clock);
  return (
    <Link
      className={styles.chip}
      to={`/studies/${bench.id}/sitting`}
      aria-current={here ? "page" : undefined}
      data-clock={at?.kind}
    >
      {at ? (
        <>
          {KIND_WORDS[at.kind]} {at.block !== null && <b>{asMinutes(at.secondsLeft)}</b>}
        </>
      ) : (
        "Sitting"
      )}
    </Link>
  );
}
