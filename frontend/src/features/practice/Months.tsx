// How far answers were off, four weeks by four weeks, each with how unsure that is.
import { useRef } from "react";
import type { RecordLine } from "../../api/types";
import { useSize } from "../../shared/useSize";
import styles from "./Plot.module.css";
import { dated, niceBelow, said } from "./plotWords";

const HIGH = 170;
const EDGE = { left: 8, right: 74, top: 12, bottom: 28 };

export function Months({ line }: { line: RecordLine }) {
  const box = useRef<HTMLDivElement>(null);
  const { width } = useSize(box);
  if (line.months.length < 2) {
    return null;
  }
  const most = Math.max(line.good, ...line.months.map((each) => each.error + 2 * each.sd)) * 1.05;
  const y = (value: number) =>
    EDGE.top + (1 - Math.min(value / most, 1)) * (HIGH - EDGE.top - EDGE.bottom);
  const x = (at: number) =>
    EDGE.left + ((at + 0.5) / line.months.length) * (width - EDGE.left - EDGE.right);
  const grade = niceBelow(most * 0.9);
  return (
    <div ref={box} className={`on-paper ${styles.plot}`} data-months={line.name}>
      {width > 0 && (
        <svg
          width={width}
          height={HIGH}
          role="img"
          aria-label="How far answers were off, four weeks by four weeks"
        >
          <path className={styles.zero} d={`M${EDGE.left} ${y(0)}H${width - EDGE.right}`} />
          <path
            className={styles.enough}
            d={`M${EDGE.left} ${y(line.good)}H${width - EDGE.right}`}
          />
          {line.months.map((each, at) => (
            <g key={each.date}>
              <path
                className={styles.bias}
                d={`M${x(at)} ${y(each.error + 2 * each.sd)}V${y(Math.max(each.error - 2 * each.sd, 0))}`}
              />
              <circle className={styles.month} cx={x(at)} cy={y(each.error)} r="5" />
              <text className={styles.date} x={x(at)} y={HIGH - 8} textAnchor="middle">
                {dated(each.date)}
              </text>
            </g>
          ))}
          <g className={styles.names}>
            <text x={width - EDGE.right + 10} y={y(grade) + 5}>
              {said(grade, { ...line, choice: true })}
            </text>
            <text x={EDGE.left + 4} y={y(line.good) - 5}>
              good enough
            </text>
          </g>
        </svg>
      )}
    </div>
  );
}
