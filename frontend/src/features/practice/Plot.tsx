// How an eye went over time: each trial a dot, the bias a line with its band, the spread hatched.
import { useId, useRef } from "react";
import type { RecordLine } from "../../api/types";
import { useSize } from "../../shared/useSize";
import styles from "./Plot.module.css";
import { dated, niceBelow, said } from "./plotWords";

const SURE = 1.96;
const EDGE = { left: 8, right: 74, top: 10, bottom: 26 };
const ROOM_FOR_DATE = 92;

const HIGH = { small: 92, usual: 230, large: 360 };

type Props = { line: RecordLine; size?: keyof typeof HIGH };

export function Plot({ line, size = "usual" }: Props) {
  const small = size === "small";
  const box = useRef<HTMLDivElement>(null);
  const hatch = useId();
  const { width } = useSize(box);
  const high = HIGH[size];
  const edge = small ? { ...EDGE, top: 4, bottom: 4 } : EDGE;
  const shown = line.dots.length;
  const x = (at: number) =>
    edge.left + ((at + 0.5) / Math.max(shown, 12)) * (width - edge.left - edge.right);
  // A forced choice has no side: only how large a difference is needed.
  const low = line.choice ? 0 : -line.reach;
  const y = (error: number) => {
    const share = (Math.min(Math.max(error, low), line.reach) - low) / (line.reach - low);
    return edge.top + (1 - share) * (high - edge.top - edge.bottom);
  };
  const grade = niceBelow(line.reach * 0.8);
  const stood = line.history;
  const band = (upper: (each: (typeof stood)[number]) => number, lower: typeof upper) => {
    const there = [...stood.map((each) => [x(each.at), y(upper(each))])];
    const back = [...stood].reverse().map((each) => [x(each.at), y(lower(each))]);
    return `M${[...there, ...back].map((each) => each.join(" ")).join("L")}Z`;
  };
  const along = (value: (each: (typeof stood)[number]) => number) =>
    `M${stood.map((each) => `${x(each.at)} ${y(value(each))}`).join("L")}`;
  const middle = (each: (typeof stood)[number]) => (line.choice ? each.spread : each.bias);
  const give = (each: (typeof stood)[number]) =>
    SURE * (line.choice ? each.spread_sd : each.bias_sd);
  return (
    <div ref={box} className={`on-paper ${styles.plot}`} data-plot={line.name} data-dots={shown}>
      {width > 0 && shown > 0 && (
        <svg width={width} height={high} role="img" aria-label={`${line.lean} ${line.spread}`}>
          <defs>
            <pattern id={hatch} width="7" height="7" patternUnits="userSpaceOnUse">
              <path d="M-1 8L8 -1" className={styles.hatch} />
            </pattern>
          </defs>
          {!small && <Days line={line} x={x} high={high} bottom={edge.bottom} />}
          <path className={styles.zero} d={`M${edge.left} ${y(0)}H${width - edge.right}`} />
          {stood.length > 0 && !line.choice && (
            <path
              className={styles.spread}
              fill={`url(#${hatch})`}
              d={band(
                (each) => each.bias + each.spread,
                (each) => each.bias - each.spread,
              )}
            />
          )}
          {stood.length > 0 && (
            <path
              className={styles.sure}
              d={band(
                (each) => middle(each) + give(each),
                (each) => middle(each) - give(each),
              )}
            />
          )}
          {line.dots.map((each, at) => (
            <circle
              // biome-ignore lint/suspicious/noArrayIndexKey: a trial has its place in the record
              key={at}
              className={each.right === false ? styles.wrong : styles.dot}
              cx={x(at)}
              cy={y(each.error)}
              r={small ? 2.2 : 3}
            />
          ))}
          {stood.length > 0 && <path className={styles.bias} d={along(middle)} />}
          <g className={styles.names}>
            {!line.choice && !small && (
              <>
                <text x={edge.left + 4} y={edge.top + 12}>
                  {line.more}
                </text>
                <text x={edge.left + 4} y={high - edge.bottom - 5}>
                  {line.less}
                </text>
              </>
            )}
            {(line.choice ? [grade] : [grade, -grade]).map((each) => (
              <g key={each}>
                <path className={styles.grade} d={`M${width - edge.right} ${y(each)}h6`} />
                <text x={width - edge.right + 10} y={y(each) + 5}>
                  {said(each, line)}
                </text>
              </g>
            ))}
          </g>
        </svg>
      )}
      {!shown && <p className={styles.none}>Nothing tried yet</p>}
    </div>
  );
}

type DaysProps = { line: RecordLine; x: (at: number) => number; high: number; bottom: number };

function Days({ line, x, high, bottom }: DaysProps) {
  let free = -ROOM_FOR_DATE;
  return (
    <g className={styles.days}>
      {line.days.map((each) => {
        const at = x(each.at - 0.5);
        const named = at - free >= ROOM_FOR_DATE;
        if (named) {
          free = at;
        }
        return (
          <g key={each.date}>
            <path d={`M${at} ${EDGE.top}V${high - bottom + (named ? 5 : 0)}`} />
            {named && (
              <text x={at} y={high - 8}>
                {dated(each.date)}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}
