// Counts and shares as they are typed: 0.375 as 3/8, 1.3333 as 1 1/3; what is no such part as it is.

/** The parts that a stick is read to; thirds beside halves, quarters, eighths and sixteenths. */
const PARTS = [1, 2, 3, 4, 8, 16];
const SAME = 1e-6;

export function asCounted(value: number): string {
  const whole = Math.floor(value + SAME);
  const rest = value - whole;
  for (const parts of PARTS) {
    const top = Math.round(rest * parts);
    if (Math.abs(rest * parts - top) < SAME * parts) {
      const fraction = top === 0 ? "" : `${top}/${parts}`;
      return [whole === 0 && fraction ? "" : String(whole), fraction].filter(Boolean).join(" ");
    }
  }
  return String(value);
}
