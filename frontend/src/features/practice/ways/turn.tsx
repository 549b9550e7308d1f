// A hand on a clock's face.
import type { PosedWay } from "../../../api/types";
import styles from "./Ways.module.css";
import { spot, type Way } from "./way";

/** How many degrees there are: a hand looks the same after half a turn, half a hand doesn't. */
const round = (way: PosedWay) => (way.shape === "half" ? 360 : 180);

const HOURS = Array.from({ length: 12 }, (_, hour) => hour);

export const turn: Way = {
  how: "Point the hand, or type the hour",
  typed: true,
  begin: (way, chance) => [chance * round(way)],
  at: (way, p) => {
    const middle = spot(way, 0);
    const degrees = (Math.atan2(p.x - middle.x, middle.y - p.y) * 180) / Math.PI;
    return [(degrees + 360) % round(way)];
  },
  nudge: (way, before, by) => [((before[0] ?? 0) + by.x + by.y + round(way)) % round(way)],
  Shown: ({ way, answer, size }) => {
    const [middle, rim] = [spot(way, 0), spot(way, 1)];
    const [cx, cy] = [middle.x * size, middle.y * size];
    const r = Math.hypot(rim.x - middle.x, rim.y - middle.y) * size;
    const turned = ((answer[0] ?? 0) * Math.PI) / 180;
    const [dx, dy] = [Math.sin(turned) * r * 0.94, -Math.cos(turned) * r * 0.94];
    const back = way.shape === "half" ? 0 : 1;
    const clock = way.shape === "bare" || way.shape === "half" ? [] : HOURS;
    return (
      <g>
        {clock.length > 0 && <circle className={styles.face} cx={cx} cy={cy} r={r * 1.06} />}
        {clock.map((hour) => (
          <path
            key={hour}
            className={styles.tick}
            transform={`rotate(${hour * 30} ${cx} ${cy})`}
            d={`M${cx} ${cy - r * 1.06}v${hour % 3 ? 8 : 14}`}
          />
        ))}
        {answer.length > 0 && (
          <path
            className={styles.mine}
            d={`M${cx - back * dx} ${cy - back * dy}L${cx + dx} ${cy + dy}M${cx - 4} ${cy}h8M${cx} ${cy - 4}v8`}
          />
        )}
      </g>
    );
  },
};
