// A landmark on the sheet: a cross, the area over which it could still slide, and how it stands.

import styles from "./Mark.module.css";
import type { Drawn } from "./usePicture";

const LOOSE_REACH = 34;

type Props = { drawn: Drawn; perMm: number; active: boolean };

export function Slack({ drawn, perMm }: { drawn: Drawn; perMm: number }) {
  const { landmark, mark } = drawn;
  if (landmark.slack) {
    const [longer, shorter, angle] = landmark.slack;
    return (
      <ellipse
        className={`${styles.slack} ${styles[landmark.standing] ?? ""}`}
        rx={Math.max(longer * perMm, 1.5)}
        ry={Math.max(shorter * perMm, 1.5)}
        transform={`translate(${mark.x} ${mark.y}) rotate(${angle})`}
      />
    );
  }
  if (landmark.loose === "both" || landmark.loose === null) {
    return (
      <circle
        className={`${styles.slack} ${styles.loose}`}
        cx={mark.x}
        cy={mark.y}
        r={LOOSE_REACH * 0.6}
      />
    );
  }
  const degrees =
    landmark.loose === "plumb" ? 0 : landmark.loose === "level" ? 90 : Number(landmark.loose);
  return (
    <g transform={`translate(${mark.x} ${mark.y}) rotate(${degrees})`} className={styles.track}>
      <rect x={-7} y={-LOOSE_REACH} width={14} height={2 * LOOSE_REACH} rx={7} />
      <path d={`M-4 ${-LOOSE_REACH + 9}l4 -6l4 6M-4 ${LOOSE_REACH - 9}l4 6l4 -6`} />
    </g>
  );
}

export function Mark({ drawn, active }: Props) {
  const { landmark, mark } = drawn;
  return (
    <g transform={`translate(${mark.x} ${mark.y})`} data-standing={landmark.standing}>
      {active && <circle r="11" className={styles.ring} />}
      {landmark.standing === "loose" && <circle r="4.5" className={styles.hollow} />}
      {landmark.standing === "doubt" && <path d="M0 -6L6 0L0 6L-6 0Z" className={styles.diamond} />}
      {landmark.standing !== "loose" && <path d="M-5 0H5M0 -5V5" className={styles.cross} />}
      {landmark.standing === "proven" && (
        <rect x="-2.4" y="-2.4" width="4.8" height="4.8" className={styles.proof} />
      )}
    </g>
  );
}
