// A place in an empty frame.
import styles from "./Ways.module.css";
import { spot, type Way, within } from "./way";

const STEP = 0.004;

export const place: Way = {
  how: "Tap its place in the empty frame",
  begin: (_, chance) => [0.2 + 0.6 * chance, 0.2 + 0.6 * ((chance * 7) % 1)],
  at: (way, p) => {
    const [a, b] = [spot(way, 0), spot(way, 1)];
    return [within((p.x - a.x) / (b.x - a.x), 0, 1), within((p.y - a.y) / (b.y - a.y), 0, 1)];
  },
  nudge: (_, before, by) => [
    within((before[0] ?? 0.5) + by.x * STEP, 0, 1),
    within((before[1] ?? 0.5) + by.y * STEP, 0, 1),
  ],
  Shown: ({ way, answer, size }) => {
    const [a, b] = [spot(way, 0), spot(way, 1)];
    if (answer[0] == null || answer[1] == null) {
      return null;
    }
    const x = (a.x + answer[0] * (b.x - a.x)) * size;
    const y = (a.y + answer[1] * (b.y - a.y)) * size;
    return <path className={styles.mine} d={`M${x - 14} ${y}h28M${x} ${y - 14}v28`} />;
  },
};
