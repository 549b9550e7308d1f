// A shape on the sheet: its straight sides by weight, fading where they run back.

import { useId } from "react";
import { polyline } from "../../../geometry/marks";
import styles from "./BenchPicture.module.css";
import type { Line } from "./usePicture";

/** A shape's outline; a loose one is drawn without fading. */
export function Outline({ line }: { line: Line }) {
  const own = useId();
  const look = { className: styles.line, "data-sure": line.sure, "data-tier": line.tier };
  if (!line.fades.length || !line.sure) {
    return <path d={polyline(line.points, line.closed)} {...look} strokeOpacity={line.weight} />;
  }
  const ends = line.points.map((point, i) => ({ point, id: line.ids[i] }));
  const sides = ends.map((end, i) => [end, ends[(i + 1) % ends.length] ?? end] as const);
  const drawn = line.closed ? sides : sides.slice(0, -1);
  return (
    <g>
      {drawn.map(([a, b], i) => {
        const fade = line.fades.find(
          ({ near, far }) => (near === a.id && far === b.id) || (near === b.id && far === a.id),
        );
        const d = polyline([a.point, b.point], false);
        return fade ? (
          <g key={`${a.id} ${b.id}`}>
            <linearGradient
              id={`${own}${i}`}
              gradientUnits="userSpaceOnUse"
              x1={fade.from.x}
              y1={fade.from.y}
              x2={fade.to.x}
              y2={fade.to.y}
            >
              <stop className={styles.fading} stopOpacity={line.weight} />
              <stop className={styles.fading} offset="1" stopOpacity={line.weight * fade.left} />
            </linearGradient>
            <path d={d} {...look} data-fades style={{ stroke: `url(#${own}${i})` }} />
          </g>
        ) : (
          <path key={`${a.id} ${b.id}`} d={d} {...look} strokeOpacity={line.weight} />
        );
      })}
    </g>
  );
}
