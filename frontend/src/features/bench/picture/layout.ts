// Where subject and sheet lie on the screen: side by side at one scale, heights straight across.
import type { Bench } from "../../../api/types";
import { fitted, Scale } from "../../../geometry/scale";

export type Layout = {
  sheet: Scale;
  subject: Scale;
  /** Where the sheet's half of the picture begins, in pixels. */
  divide: number;
};

const RULER = 34;
const BORDER = 18;
const HEAD = 40;

/** Both scales for a picture of this size. Subject and sheet share their vertical scale. */
export function layOut(bench: Bench, width: number, height: number): Layout {
  const divide = Math.round(width / 2);
  const sheet = fitted(
    { width: bench.sheet.width_mm, height: bench.sheet.height_mm },
    {
      left: divide + RULER + 10,
      top: HEAD + RULER - 8,
      width: Math.max(60, width - divide - RULER - BORDER - 10),
      height: Math.max(60, height - HEAD - RULER - BORDER + 8),
    },
  );
  const seen = bench.landmarks.flatMap((each) =>
    each.seen_left_mm === null ? [] : [each.seen_left_mm],
  );
  const middle = seen.length
    ? (Math.min(...seen) + Math.max(...seen)) / 2
    : bench.sheet.width_mm / 2;
  return {
    sheet,
    subject: new Scale(sheet.perMm, divide / 2 - middle * sheet.perMm, sheet.top),
    divide,
  };
}
