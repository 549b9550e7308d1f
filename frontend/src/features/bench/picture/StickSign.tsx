// How the stick is used on the subject for the reading at hand: span, tilt, plumb, level, part, run.
import type { Point } from "../../../geometry/scale";
import marks from "./Mark.module.css";
import styles from "./StickSign.module.css";

type Props = {
  kind: string;
  points: Point[];
  top: number;
  bottom: number;
  left: number;
  right: number;
};

const THUMB = 6;

export function StickSign({ kind, points, top, bottom, left, right }: Props) {
  const [a, b, c, d] = points;
  if (!a || !kind) {
    return null;
  }
  if (kind === "plumb") {
    return (
      <g className={styles.plumb}>
        <path d={`M${a.x} ${Math.max(top, Math.min(a.y, b?.y ?? a.y) - 30)}V${bottom - 12}`} />
        <path d={`M${a.x - 6} ${bottom - 14}h12l-6 12z`} className={styles.bob} />
        {b && <path d={`M${a.x} ${b.y}H${b.x}`} className={styles.gap} />}
      </g>
    );
  }
  if (kind === "level") {
    return (
      <g className={styles.plumb}>
        <path d={`M${left + 8} ${a.y}H${right - 8}`} />
        {b && <path d={`M${b.x} ${a.y}V${b.y}`} className={styles.gap} />}
      </g>
    );
  }
  if (!b) {
    return null;
  }
  if (kind === "upright" || kind === "across" || kind === "straight") {
    const end =
      kind === "upright" ? { x: a.x, y: b.y } : kind === "across" ? { x: b.x, y: a.y } : b;
    return (
      <g>
        <Stick from={a} to={end} beyond={46} />
        {kind !== "straight" && (
          <path d={`M${end.x} ${end.y}L${b.x} ${b.y}`} className={styles.gap} />
        )}
      </g>
    );
  }
  if (kind === "tilt") {
    return <Stick from={a} to={b} beyond={30} both />;
  }
  if (kind === "part") {
    return (
      <g className={styles.relation}>
        <path d={`M${a.x} ${a.y}L${b.x} ${b.y}`} />
        {[0.25, 0.5, 0.75].map((share) => (
          <circle key={share} cx={a.x + (b.x - a.x) * share} cy={a.y + (b.y - a.y) * share} r="3" />
        ))}
        {c && <circle cx={c.x} cy={c.y} r="8" className={marks.hollow} />}
      </g>
    );
  }
  if (kind === "run") {
    const on = { x: b.x + (b.x - a.x) * 4, y: b.y + (b.y - a.y) * 4 };
    return (
      <g className={styles.relation}>
        <path d={`M${a.x} ${a.y}L${b.x} ${b.y}`} />
        <path d={`M${b.x} ${b.y}L${c?.x ?? on.x} ${c?.y ?? on.y}`} strokeDasharray="3 5" />
      </g>
    );
  }
  return (
    <g className={styles.relation}>
      <path d={`M${a.x} ${a.y}L${b.x} ${b.y}`} />
      {c && d && <path d={`M${c.x} ${c.y}L${d.x} ${d.y}`} />}
    </g>
  );
}

/** A drawing stick: its tip on the first point, the thumbnail on the second. */
function Stick({
  from,
  to,
  beyond,
  both,
}: {
  from: Point;
  to: Point;
  beyond: number;
  both?: boolean;
}) {
  const length = Math.hypot(to.x - from.x, to.y - from.y);
  if (length < 1) {
    return null;
  }
  const angle = (Math.atan2(to.y - from.y, to.x - from.x) * 180) / Math.PI;
  const start = both ? -beyond : 0;
  return (
    <g transform={`translate(${from.x} ${from.y}) rotate(${angle})`}>
      <rect
        x={start}
        y={-4}
        width={length + beyond - start}
        height={8}
        rx={2}
        className={styles.stick}
      />
      {!both && <path d="M0 0L10 -4V4Z" className={styles.tip} />}
      {!both && <ellipse cx={length + 3} cy={0} rx={THUMB} ry={8} className={styles.thumb} />}
    </g>
  );
}
