// Where subject and sheet lie on the screen: side by side at one scale, heights straight across.
import type { Bench } from "../../../api/types";
import { fitted, Scale } from "../../../geometry/scale";
import type { View } from "./useView";

export type Layout = {
  sheet: Scale;
  subject: Scale;
  /** Where the sheet's half of the picture begins, in pixels. */
  divide: number;
  /** How much larger than as a whole. */
  zoom: number;
};

const BORDER = 18;
/** Below this height, in pixels, there is no room for rulers. */
export const LOW = 240;

/** Both scales for a picture of this size. Subject and sheet share their vertical scale. */
export function layOut(bench: Bench, width: number, height: number, view: View): Layout {
  const divide = Math.round(width / 2);
  const [ruler, head] = height < LOW ? [6, 34] : [34, 48];
  const whole = fitted(
    { width: bench.sheet.width_mm, height: bench.sheet.height_mm },
    {
      left: divide + ruler + 10,
      top: head + ruler - 8,
      width: Math.max(60, width - divide - ruler - BORDER - 10),
      height: Math.max(60, height - head - ruler - (height < LOW ? 4 : BORDER) + 8),
    },
  );
  const seen = bench.landmarks.flatMap((each) =>
    each.seen_left_mm === null ? [] : [each.seen_left_mm],
  );
  const middle = seen.length
    ? (Math.min(...seen) + Math.max(...seen)) / 2
    : bench.sheet.width_mm / 2;
  const beside =
    filling(bench, whole.perMm, { top: head, width: divide, height: height - head }) ??
    new Scale(whole.perMm, divide / 2 - middle * whole.perMm, whole.top);
  return {
    sheet: seenBy(view, whole, (divide + width) / 2, height / 2),
    subject: seenBy(view, beside, divide / 2, height / 2),
    divide,
    zoom: view.zoom,
  };
}

/** From how much room that the subject leaves free it is no longer drawn at the sheet's scale. */
const SHRUNK = 0.6;
/** Share of its half that it fills then. */
const FILLS = 0.72;

/** The subject filling its half, where the drawing's size would make it small. */
function filling(bench: Bench, perMm: number, room: Room): Scale | null {
  const places = bench.landmarks.flatMap(({ seen_left_mm: x, seen_top_mm: y }) =>
    x === null || y === null ? [] : [{ x, y }],
  );
  const [left, right] = ends(places.map((each) => each.x));
  const [top, bottom] = ends(places.map((each) => each.y));
  const fit = Math.min(room.width / (right - left), room.height / (bottom - top)) * FILLS;
  if (!(fit * SHRUNK > perMm) || !Number.isFinite(fit)) {
    return null;
  }
  return new Scale(
    fit,
    room.width / 2 - ((left + right) / 2) * fit,
    room.top + room.height / 2 - ((top + bottom) / 2) * fit,
  );
}

const ends = (all: number[]): [number, number] => [Math.min(...all), Math.max(...all)];

type Room = { top: number; width: number; height: number };

/** One side enlarged about its middle, and moved. */
function seenBy({ zoom, x, y }: View, scale: Scale, across: number, down: number): Scale {
  const left = across + (scale.left - across) * zoom + x;
  return new Scale(scale.perMm * zoom, left, down + (scale.top - down) * zoom + y);
}
