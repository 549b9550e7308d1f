// Who else is at this study, and in which room.
import styles from "./Others.module.css";
import { STAGES } from "./stages";
import { useOthers } from "./useLive";

export function Others() {
  const { others } = useOthers();
  const [first] = others;
  if (!first) {
    return null;
  }
  const all = others.map((each) => `${each.name}: ${roomOf(each.room)}`).join(", ");
  return (
    <span className={styles.others} role="status" title={all} aria-label={`Also here: ${all}`}>
      <svg viewBox="0 0 24 24" aria-hidden="true">
        <circle cx="12" cy="8" r="4" />
        <path d="M4 21c1-6 15-6 16 0" />
      </svg>
      <span className={styles.name}>
        {others.length === 1 ? `${first.name}: ${roomOf(first.room)}` : `${others.length} others`}
      </span>
    </span>
  );
}

function roomOf(room: string): string {
  if (room === "easel") {
    return "at the easel";
  }
  return STAGES.find((each) => each.key === room)?.label ?? "Sitting";
}
