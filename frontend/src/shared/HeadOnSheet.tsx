// The construction of a head over the sheet: line of symmetry, rings, and what is only predicted.
import type { HeadsRoom } from "../api/types";
import { polyline } from "../geometry/marks";
import type { Point } from "../geometry/scale";
import styles from "./DepthOnSheet.module.css";

type Props = { room: HeadsRoom; toScreen: (at: Point) => Point; perMm: number };

export function HeadOnSheet({ room, toScreen, perMm }: Props) {
  const at = ([x, y]: [number, number]) => toScreen({ x, y });
  return (
    <g className={styles.onSheet} data-head-lines>
      {room.heads.map((head) => (
        <g key={head.id} data-head={head.id}>
          {head.lines.map((line) => (
            <path
              key={line.name}
              d={polyline(line.points_mm.map(at), false)}
              data-line={line.name}
            />
          ))}
          {head.predicted.map((each) => {
            const p = at(each.at_mm);
            return (
              <circle
                key={each.point}
                cx={p.x}
                cy={p.y}
                r={Math.max(4, each.sd_mm * perMm)}
                data-predicted={each.point}
              />
            );
          })}
        </g>
      ))}
      {room.figures.flatMap((figure) =>
        figure.lines.map((line) => (
          <path
            key={`${figure.id} ${line.name}`}
            d={polyline(line.points_mm.map(at), false)}
            data-line={line.name}
            data-dashed={line.name === "balance"}
          />
        )),
      )}
    </g>
  );
}
