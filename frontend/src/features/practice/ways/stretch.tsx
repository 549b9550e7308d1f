// A shape standing on a base of given width: how high it is.
import styles from "./Ways.module.css";
import { spot, type Way, within } from "./way";

const LEAST = 0.02;

export const stretch: Way = {
  how: "Pull its top up or down",
  begin: (way, chance) => [way.high * (0.15 + 0.7 * chance)],
  at: (way, p) => {
    const [a, b] = [spot(way, 0), spot(way, 1)];
    return [within((a.y - p.y) / (b.x - a.x), LEAST, way.high)];
  },
  nudge: (way, before, by) => [
    within((before[0] ?? 0) + (by.x - by.y) * 0.005 * way.high, LEAST, way.high),
  ],
  Shown: ({ way, answer, size }) => {
    const [a, b] = [spot(way, 0), spot(way, 1)];
    const wide = (b.x - a.x) * size;
    const [left, foot] = [a.x * size, a.y * size];
    const base = <path className={styles.base} d={`M${left} ${foot}h${wide}`} />;
    const high = answer[0] == null ? 0 : answer[0] * wide;
    if (answer[0] == null) {
      return base;
    }
    return (
      <g>
        {way.shape === "box" && base}
        {way.shape === "ellipse" ? (
          <ellipse
            className={styles.mine}
            cx={left + wide / 2}
            cy={foot - high / 2}
            rx={wide / 2}
            ry={high / 2}
          />
        ) : (
          <rect className={styles.mine} x={left} y={foot - high} width={wide} height={high} />
        )}
        <circle className={styles.grip} cx={left + wide / 2} cy={foot - high} r="9" />
      </g>
    );
  },
};
