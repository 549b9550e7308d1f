// A block-in over the truth, in small.
import type { LessonWall } from "../../api/types";
import styles from "./Overlay.module.css";

type Line = LessonWall["truth"][number];

/** The truth's own half, and what is left free round all. */
const LEAST = 0.55;
const MARGIN = 0.05;

export function Overlay({ truth, lines, label }: { truth: Line[]; lines: Line[]; label: string }) {
  const reach = Math.max(LEAST, ...lines.flatMap((e) => e.points.flat().map(Math.abs))) + MARGIN;
  return (
    <svg
      viewBox={`${-reach} ${-reach} ${2 * reach} ${2 * reach}`}
      className={`on-paper ${styles.overlay}`}
      role="img"
      aria-label={label}
    >
      <rect x={-reach} y={-reach} width={2 * reach} height={2 * reach} className={styles.paper} />
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
