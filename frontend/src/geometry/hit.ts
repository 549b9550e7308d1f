// Which of several points a finger meant.
import type { Point } from "./scale";

/** Index of the point nearest to `at`, if it is within `reach` pixels; -1 otherwise. */
export function nearest(points: readonly Point[], at: Point, reach: number): number {
  let best = -1;
  let least = reach * reach;
  points.forEach((each, i) => {
    const square = (each.x - at.x) ** 2 + (each.y - at.y) ** 2;
    if (square <= least) {
      least = square;
      best = i;
    }
  });
  return best;
}
