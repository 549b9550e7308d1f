// Words on both sides of the picture: names, thinned where they would collide, and values in doubt.

import { useMemo } from "react";
import { leadEnd } from "../../../geometry/words";
import { type Label, placed, type Strain } from "./labels";
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
  /** Readings in doubt, each to be told by its value. */
  strains: readonly Strain[];
};

export function Names({ picture, ids, all, width, height, strains }: Props) {
  const lit = ids.join(" ");
  const labels = useMemo(
    () => placed(picture, { ids: lit ? lit.split(" ") : [], all, width, height, strains }),
    [picture, lit, all, width, height, strains],
  );
  return (
    <g className={styles.names}>
      {labels.map((each) => (
        <Word key={`${each.look} ${each.key}`} label={each} />
      ))}
    </g>
  );
}

function Word({ label }: { label: Label }) {
  const end = leadEnd(label);
  return (
    <>
      {label.from && (
        <path d={`M${label.from.x} ${label.from.y}L${end.x} ${end.y}`} className={styles.lead} />
      )}
      <text
        x={label.x}
        y={label.y}
        textAnchor={label.anchor}
        className={styles[label.look]}
        data-name={label.look === "strain" ? undefined : label.key}
        data-said={label.look === "strain" ? label.key : undefined}
      >
        {label.text}
      </text>
    </>
  );
}
