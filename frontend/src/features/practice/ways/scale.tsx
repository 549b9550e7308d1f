// A value on a ruler under the picture.
import styles from "./Ways.module.css";
import { type Way, within } from "./way";

/** Where the ruler lies on the board, and how high its strip is. */
export const RULER = { left: 0.06, right: 0.94, high: 96 };

const STEP = 0.004;
const HEAD = 34;

export const scale: Way = {
  how: "Tap the ruler, or type it",
  typed: true,
  begin: (way, chance) => [way.low + (0.1 + 0.8 * chance) * (way.high - way.low)],
  at: (way, p) => {
    const share = (p.x - RULER.left) / (RULER.right - RULER.left);
    return [within(way.low + share * (way.high - way.low), way.low, way.high)];
  },
  nudge: (way, before, by) => {
    const step = (by.x - by.y) * STEP * (way.high - way.low);
    return [within((before[0] ?? way.low) + step, way.low, way.high)];
  },
  Shown: ({ way, answer, size, truth }) => {
    const across = (value: number) =>
      (RULER.left + ((value - way.low) / (way.high - way.low)) * (RULER.right - RULER.left)) * size;
    // Counts are ticked by quarters, degrees by fives.
    const wide = way.high - way.low > 20;
    const [part, whole] = wide ? [5, 15] : [0.25, 1];
    const first = Math.ceil(way.low / part);
    const ticks = Array.from(
      { length: Math.floor(way.high / part) - first + 1 },
      (_, i) => (first + i) * part,
    );
    const value = answer[0] ?? null;
    return (
      <g className={styles.ruler}>
        <path d={`M${across(way.low)} ${HEAD}H${across(way.high)}`} />
        {ticks.map((each) => {
          const tall = each % whole === 0 ? 20 : each % (whole / 2) === 0 ? 13 : 8;
          return (
            <g key={each}>
              <path d={`M${across(each)} ${HEAD}v${tall}`} />
              {each % whole === 0 && (
                <text x={across(each)} y={HEAD + 40} textAnchor="middle">
                  {each < 0 ? `−${-each}` : each}
                </text>
              )}
            </g>
          );
        })}
        {truth !== undefined && (
          <path className={styles.truth} d={`M${across(truth)} ${HEAD + 26}V2`} />
        )}
        {value !== null && (
          <path
            className={styles.mine}
            d={`M${across(value)} ${HEAD + 4}v-30m-8 0h16l-8 12z`}
            data-value={value.toFixed(3)}
          />
        )}
      </g>
    );
  },
};
