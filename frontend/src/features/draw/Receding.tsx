// Ticks along the sheet's edges: a line through two of one number recedes as its family does.
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
/** From the ticks of one family to those of the next, and how many ticks share a number. */
const ROW = 46;
const EVERY = 2;
const NAME = 31;

export function Receding({ room, a, b, screen }: Props) {
  return (
    <g className={styles.receding} data-receding>
      {room.families.map((family, row) => {
        const [inset, outset] = [row * ROW, row * ROW + SHORT];
        return (
          <g key={family.name} data-family={family.name}>
            {family.left_mm.map((mm, i) => {
              const left = screen(0, mm).y;
              const right = screen(0, family.right_mm[i] ?? mm).y;
              return (
                <g key={mm}>
                  <path
                    d={`M${a.x + inset} ${left}H${a.x + outset}M${b.x - outset} ${right}H${b.x - inset}`}
                  />
                  {i % EVERY === 0 && (
                    <>
                      <text x={a.x + outset + 3} y={left + 5}>
                        {i + 1}
                      </text>
                      <text x={b.x - outset - 3} y={right + 5} textAnchor="end">
                        {i + 1}
                      </text>
                    </>
                  )}
                </g>
              );
            })}
            {family.left_mm.length > 0 && (
              <text
                textAnchor="middle"
                transform={`translate(${a.x + outset + NAME} ${(a.y + b.y) / 2}) rotate(-90)`}
              >
                {family.name}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}
