// A sheet in small, as it is pinned to a wall.
import type { StudyCard } from "../api/types";
import styles from "./CardPicture.module.css";

export function CardPicture({ card }: { card: StudyCard }) {
  const { width_mm: width, height_mm: height } = card;
  const thick = Math.max(width, height) / 190;
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      className={`on-paper ${styles.sheet}`}
      aria-hidden="true"
    >
      <rect width={width} height={height} fill="var(--paper)" />
      {card.lines.map((line, i) => (
        <path
          // biome-ignore lint/suspicious/noArrayIndexKey: lines of one card never change places
          key={i}
          d={`M${line.points.map((p) => p.map((n) => n.toFixed(1)).join(" ")).join("L")}${line.closed ? "Z" : ""}`}
          fill="none"
          stroke={line.sure ? "var(--graphite)" : "var(--thin)"}
          strokeWidth={thick}
          strokeLinejoin="round"
          strokeDasharray={line.sure ? undefined : `${3 * thick} ${3 * thick}`}
        />
      ))}
    </svg>
  );
}
