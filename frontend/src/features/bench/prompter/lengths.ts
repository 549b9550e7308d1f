// Lengths on the sheet as a ruler shows them.

const MM_PER_INCH = 25.4;
const PARTS = 16;

export function millimetres(mm: number, fine = false): string {
  return fine ? mm.toFixed(1) : mm.toFixed(0);
}

/** Inches to the sixteenth, as "3 5/16". */
export function inches(mm: number, fine = false): string {
  const count = Math.round((mm / MM_PER_INCH) * PARTS);
  if (count === 0) {
    return fine ? "<1/16" : "0";
  }
  const sign = count < 0 ? "−" : "";
  const [whole, rest] = [Math.floor(Math.abs(count) / PARTS), Math.abs(count) % PARTS];
  if (rest === 0) {
    return `${sign}${whole}`;
  }
  const common = divisor(rest, PARTS);
  const fraction = `${rest / common}/${PARTS / common}`;
  return whole ? `${sign}${whole} ${fraction}` : `${sign}${fraction}`;
}

function divisor(a: number, b: number): number {
  return b === 0 ? a : divisor(b, a % b);
}
