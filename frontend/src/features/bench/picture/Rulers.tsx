// The sheet's edges as rulers, in millimetres or inches from its top left corner.
import type { Scale } from "../../../geometry/scale";
import styles from "./BenchPicture.module.css";

const STEPS = [10, 20, 50, 100, 200];
const INCH_STEPS = [1, 2, 4, 6, 12];
const LEAST_PIXELS = 44;

type Props = { scale: Scale; width: number; height: number; right: number; inches: boolean };

export function Rulers({ scale, width, height, right, inches }: Props) {
  const mark = inches ? 25.4 : 1;
  const steps = inches ? INCH_STEPS : STEPS;
  const step = mark * (steps.find((each) => each * mark * scale.perMm >= LEAST_PIXELS) ?? 500);
  const along = (length: number) =>
    Array.from({ length: Math.floor(length / step) + 1 }, (_, i) => i * step);
  return (
    <g className={styles.ruler}>
      {along(width).map((mm) => {
        const x = scale.left + mm * scale.perMm;
        return (
          <g key={mm}>
            <path d={`M${x} ${scale.top}v-7`} />
            {x < right - 12 && (
              <text x={x} y={scale.top - 11} textAnchor="middle">
                {Math.round(mm / mark)}
              </text>
            )}
          </g>
        );
      })}
      {along(height).map((mm) => {
        const y = scale.top + mm * scale.perMm;
        return (
          <g key={mm}>
            <path d={`M${scale.left} ${y}h-7`} />
            {mm > 0 && (
              <text x={scale.left - 11} y={y + 4} textAnchor="end">
                {Math.round(mm / mark)}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}
