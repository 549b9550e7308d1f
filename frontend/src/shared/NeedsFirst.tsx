// What a study lacks before a room can do anything for it, and the way there.
import { Link } from "react-router";
import type { Bench } from "../api/types";
import styles from "./NeedsFirst.module.css";

export function NeedsFirst({ bench }: { bench: Bench }) {
  if (bench.unit && bench.landmarks.length > 0) {
    return null;
  }
  return (
    <p className={styles.needs} role="status">
      {bench.landmarks.length
        ? "Nothing is counted yet, so no size here means anything: choose the unit first."
        : "There are no landmarks yet: name the first."}
      <Link to={`/studies/${bench.id}?side=Set-up`}>To the set-up</Link>
    </p>
  );
}
