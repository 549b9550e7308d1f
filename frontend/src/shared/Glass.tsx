// A round magnifier beside the finger, its crosshair on the place meant.
import type { Point } from "../geometry/scale";
import styles from "./PointBoard.module.css";

const GLASS = 62;
const ENLARGED = 4;

export function Glass({
  at,
  image,
  width,
  height,
}: {
  at: Point;
  image: string;
  width: number;
  height: number;
}) {
  const x = at.x + (at.x > width / 2 ? -1 : 1) * (GLASS + 26);
  const y = Math.min(Math.max(at.y - GLASS - 20, GLASS + 2), height - GLASS - 2);
  return (
    <g className={styles.glass}>
      <clipPath id="glass">
        <circle cx={x} cy={y} r={GLASS} />
      </clipPath>
      <circle cx={x} cy={y} r={GLASS} className={styles.rim} />
      <image
        href={image}
        x={x - at.x * ENLARGED}
        y={y - at.y * ENLARGED}
        width={width * ENLARGED}
        height={height * ENLARGED}
        preserveAspectRatio="none"
        clipPath="url(#glass)"
      />
      <circle cx={x} cy={y} r={GLASS} className={styles.ring} />
      <path d={`M${x - 12} ${y}h24M${x} ${y - 12}v24`} />
      <path d={`M${at.x - 9} ${at.y}h6m6 0h6M${at.x} ${at.y - 9}v6m0 6v6`} />
    </g>
  );
}
