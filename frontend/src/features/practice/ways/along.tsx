// A place on a line.
import styles from "./Ways.module.css";
import { spot, type Way, within } from "./way";

const STEP = 0.004;

export const along: Way = {
  how: "Tap the line, or drag along it",
  begin: (_, chance) => [0.1 + 0.8 * chance],
  at: (way, p) => {
    const [a, b] = [spot(way, 0), spot(way, 1)];
    const [dx, dy] = [b.x - a.x, b.y - a.y];
    const t = ((p.x - a.x) * dx + (p.y - a.y) * dy) / (dx * dx + dy * dy);
    return [within(t, 0, 1)];
  },
  nudge: (way, before, by) => {
    const [a, b] = [spot(way, 0), spot(way, 1)];
    const across = Math.abs(b.x - a.x) >= Math.abs(b.y - a.y);
    const forward = across ? Math.sign(b.x - a.x) : Math.sign(b.y - a.y);
    const step = (by.x || by.y) * STEP * (across === (by.x !== 0) ? forward : 1);
    return [within((before[0] ?? 0) + step, 0, 1)];
  },
  Shown: ({ way, answer, size }) => {
    const [a, b] = [spot(way, 0), spot(way, 1)];
    const t = answer[0] ?? 0;
    const long = Math.hypot(b.x - a.x, b.y - a.y);
    const [x, y] = [(a.x + t * (b.x - a.x)) * size, (a.y + t * (b.y - a.y)) * size];
    const [nx, ny] = [(-(b.y - a.y) / long) * 22, ((b.x - a.x) / long) * 22];
    return <path className={styles.mine} d={`M${x - nx} ${y - ny}L${x + nx} ${y + ny}`} />;
  },
};
