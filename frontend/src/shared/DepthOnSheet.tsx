// Eye level, the fan of receding edges, ellipses and equal steps, over the sheet.
import type { PerspectiveRoom } from "../api/types";
import { polyline } from "../geometry/marks";
import type { Point } from "../geometry/scale";
import styles from "./DepthOnSheet.module.css";

type Props = {
  room: PerspectiveRoom;
  toScreen: (at: Point) => Point;
  /** Left and right ends of the sheet, in pixels. */
  left: number;
  right: number;
  /** Whether receding edges are carried on to where they vanish. */
  fan?: boolean;
};

export function DepthOnSheet({ room, toScreen, left, right, fan = true }: Props) {
  const at = ([x, y]: [number, number]) => toScreen({ x, y });
  const line = (points: [number, number][], closed = false) => polyline(points.map(at), closed);
  const eye = room.eye_mm === null ? null : toScreen({ x: 0, y: room.eye_mm }).y;
  return (
    <g className={styles.onSheet} data-depth-lines>
      {eye !== null && (
        <>
          <path d={`M${left} ${eye}H${right}`} data-dashed="true" data-eye-level />
          <text x={right - 8} y={eye - 6} textAnchor="end">
            eye level
          </text>
        </>
      )}
      {room.families.map((family) => (
        <g key={family.name} data-fan={family.name}>
          {(fan ? family.fan : []).map((each) => (
            <path key={String(each)} d={line(each)} data-fan="true" />
          ))}
        </g>
      ))}
      {room.rounds.map((each) => {
        const p = each.points_mm;
        return p.length === 8 ? (
          <g key={each.id} data-ellipse={each.id}>
            <path d={line(each.box_mm, true)} data-dashed="true" />
            <path d={line([p[0], p[4]] as [number, number][])} />
            <path d={line([p[2], p[6]] as [number, number][])} />
            {p.map((point) => (
              <circle key={String(point)} cx={at(point).x} cy={at(point).y} r="2.6" />
            ))}
          </g>
        ) : null;
      })}
      {room.steps.map((row) => (
        <g key={row.name} data-row={row.name}>
          {row.posts_mm.map((post, i) => (
            <path key={String(post)} d={line(post)} data-dashed={i > 1} />
          ))}
          {row.posts_mm.length > 2 && (
            <>
              <path d={line(row.posts_mm.map((post) => post[0]))} data-fan="true" />
              <path d={line(row.posts_mm.map((post) => post[1]))} data-fan="true" />
            </>
          )}
        </g>
      ))}
    </g>
  );
}
