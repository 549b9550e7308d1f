// Sheets that shops sell, upright, in millimetres.

export type SheetSize = { name: string; width: number; height: number };

const IN = 25.4;

export const SHEETS: readonly SheetSize[] = [
  { name: "A5", width: 148, height: 210 },
  { name: "A4", width: 210, height: 297 },
  { name: "A3", width: 297, height: 420 },
  { name: "A2", width: 420, height: 594 },
  { name: "A1", width: 594, height: 841 },
  { name: "9 × 12 in", width: 9 * IN, height: 12 * IN },
  { name: "11 × 14 in", width: 11 * IN, height: 14 * IN },
  { name: "14 × 17 in", width: 14 * IN, height: 17 * IN },
  { name: "18 × 24 in", width: 18 * IN, height: 24 * IN },
];

/** The sheet of that size in either direction, if a shop sells it. */
export function soldAs(width: number, height: number): SheetSize | undefined {
  const [short, long] = [Math.min(width, height), Math.max(width, height)];
  return SHEETS.find(
    (each) => Math.abs(each.width - short) < 0.6 && Math.abs(each.height - long) < 0.6,
  );
}
