// A block-in over the truth, in small.
import type { LessonWall } from "../../api/types";
import styles from "./Overlay.module.css";

type Line = LessonWall["truth"][number];

export function Overlay({ truth, lines, label }: { truth: Line[]; lines: Line[]; label: string }) {
  return (
    <svg
      viewBox="-0.6 -0.6 1.2 1.2"
      className={`on-paper ${styles.overlay}`}
      role="img"
      aria-label={label}
    >
      <rect x="-0.6" y="-0.6" width="1.2" height="1.2" className={styles.paper} />
      {truth.map((each, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: shapes of one scene never change places
        <path key={i} d={path(each)} className={styles.true} />
      ))}
      {lines.map((each, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: shapes of one scene never change places
        <path key={i} d={path(each)} className={styles.theirs} data-loose={each.loose} />
      ))}
    </svg>
  );
}

function path(line: Line): string {
  return `M${line.points.map((p) => p.join(" ")).join("L")}${line.closed ? "Z" : ""}`;
}
