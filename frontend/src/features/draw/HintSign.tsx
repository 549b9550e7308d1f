// Small drawings for the schools' hints, in the product's hand; one path each.
import styles from "./Recipe.module.css";

const SIGNS: Record<string, string> = {
  station: "M8 26h18M17 26v-9M17 17l-6 4M17 17l6-2M17 10a3 3 0 1 0 .1 0",
  unit: "M12 5v24M8 5h8M8 29h8M22 5v12M19 17h6",
  board: "M9 5h16v20H9zM12 25l-3 5M22 25l3 5",
  stick: "M6 28L28 6M10 24l4 4",
  plumb: "M17 4v18M13 22h8l-4 8z",
  elbow: "M6 8l10 10l12 -6M16 18v8",
  eyes: "M4 17a6 5 0 0 1 12 0a6 5 0 0 1 -12 0M18 17a6 5 0 0 1 12 0a6 5 0 0 1 -12 0",
  lean: "M6 28L22 6M6 28h22M12 20a8 8 0 0 1 6 8",
  easel: "M17 4L8 30M17 4l9 26M17 4v26M10 22h14",
  level: "M4 17h26M12 12h10v10H12zM17 15v4",
  step: "M6 28h6v-6h6v-6h6v-6h6",
  tape: "M6 6h9v22H6zM19 6h9v22h-9zM4 4l5 5M30 4l-5 5M4 30l5 -5M30 30l-5 -5",
  light: "M17 12a5 5 0 1 0 .1 0M17 4v4M8 8l3 3M26 8l-3 3M17 22v8",
  paper: "M8 6l18 3l-3 20l-18 -3z",
  ruler: "M4 14h26v8H4zM8 14v4M12 14v3M16 14v4M20 14v3M24 14v4",
  dividers: "M17 4L9 30M17 4l8 26M17 8a2 2 0 1 0 .1 0",
  triangle: "M5 28h24L20 7z",
  thin: "M4 20L30 15M4 14l26 3",
  cross: "M6 6h22v22H6zM17 6v22M6 17h22",
  grid: "M6 6h22v22H6zM13 6v22M21 6v22M6 13h22M6 21h22",
  edge: "M6 6h22v22H6zM6 17h11M13 14l4 3l-4 3",
  pane: "M8 5h18v22H8zM4 30h26M12 21l5 -9l5 9",
  eye: "M4 17a13 9 0 0 1 26 0a13 9 0 0 1 -26 0M17 13a4 4 0 1 0 .1 0",
  clock: "M17 5a12 12 0 1 0 .1 0M17 17L25 9M17 5v3M29 17h-3M17 29v-3M5 17h3",
  chain: "M4 26l8 -8l8 2l10 -14M4 26h.1M12 18h.1M20 20h.1",
  part: "M6 17h22M6 12v10M17 13v8M28 12v10",
  mirror: "M17 4v26M7 10l6 7l-6 7zM27 10l-6 7l6 7z",
  gap: "M6 8v18M14 8v18M20 8v18M28 8v18M14 17h6",
  face: "M17 5a9 12 0 1 0 .1 0M13 15h2M20 15h2M15 22h5",
};

export function HintSign({ sign }: { sign: string }) {
  return (
    <svg viewBox="0 0 34 34" width="34" height="34" aria-hidden="true" className={styles.sign}>
      <path d={SIGNS[sign] ?? SIGNS.stick} />
    </svg>
  );
}
