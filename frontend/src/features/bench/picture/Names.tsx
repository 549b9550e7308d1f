// Names on both sides of the picture, thinned where they would collide.

import type { Point } from "../../../geometry/scale";
import { type Label, placed } from "./labels";
import styles from "./Names.module.css";
import type { Picture } from "./usePicture";

type Props = {
  picture: Picture;
  /** Landmarks whose whole name is always shown: chosen, or pointed at. */
  ids: readonly string[];
  /** Whether every name is wanted, colliding or not. */
  all: boolean;
  width: number;
  height: number;
  /** Where something else is written. */
  avoid: readonly Point[];
};

export function Names({ picture, ids, all, width, height, avoid }: Props) {
  return (
    <g className={styles.names}>
      {placed(picture, ids, all, width, height, avoid).map((each) => (
        <Name key={each.key} label={each} />
      ))}
    </g>
  );
}

function Name({ label }: { label: Label }) {
  return (
    <text
      x={label.x}
      y={label.y}
      textAnchor={label.anchor}
      className={styles[label.look]}
      data-name={label.key}
    >
      {label.text}
    </text>
  );
}
