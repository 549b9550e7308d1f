// What stands beside the plots of a record.
import type { RecordLine } from "../../api/types";

export function dated(date: string): string {
  return new Date(`${date}T12:00:00Z`).toLocaleDateString("en-GB", {
    day: "numeric",
    month: "short",
  });
}

/** The largest of 1, 2, 5, 10, 20 … and their tenths that is not larger. */
export function niceBelow(most: number): number {
  const ten = 10 ** Math.floor(Math.log10(most));
  return ten * ([5, 2, 1].find((each) => each * ten <= most) ?? 1);
}

export function said(value: number, line: RecordLine): string {
  const sign = line.choice || value === 0 ? "" : value < 0 ? "−" : "+";
  const size = Math.abs(value).toLocaleString("en-GB", { maximumFractionDigits: 2 });
  const unit = line.unit === "steps" && Math.abs(value) === 1 ? "step" : line.unit;
  return `${sign}${size}${unit === "°" ? "°" : ` ${unit}`}`;
}
