// Eye level across the sheet, and ticks along its edges: a line through two that match recedes.
import type { PerspectiveRoom } from "../../api/types";
import type { Point } from "../../geometry/scale";
import styles from "./RecipeSheet.module.css";

type Props = {
  room: PerspectiveRoom;
  a: Point;
  b: Point;
  screen: (x: number, y: number) => Point;
};

const SHORT = 9;

export function Receding({ room, a, b, screen }: Props) {
  const eye = room.eye_mm === null ? null : screen(0, room.eye_mm).y;
  return (
    <g className={styles.receding} data-receding>
      {eye !== null && eye >= a.y && eye <= b.y && (
        <>
          <path className={styles.eye} d={`M${a.x} ${eye}H${b.x}`} />
          <text x={b.x - 6} y={eye - 6} textAnchor="end">
            eye level
          </text>
        </>
      )}
      {room.families.map((family, row) => {
        const [inset, outset] = [row * (SHORT + 3), row * (SHORT + 3) + SHORT];
        return (
          <g key={family.name} data-family={family.name}>
            {family.left_mm.map((mm, i) => {
              const left = screen(0, mm).y;
              const right = screen(0, family.right_mm[i] ?? mm).y;
              return (
                <path
                  key={mm}
                  d={`M${a.x + inset} ${left}H${a.x + outset}M${b.x - outset} ${right}H${b.x - inset}`}
                />
              );
            })}
            {family.left_mm.length > 0 && (
              <text x={a.x + 6} y={b.y - 8 - 16 * row}>
                {family.name}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}
