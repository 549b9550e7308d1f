// Upright boxes on the screen: whether they overlap, and whether a line goes through one.
import type { Point } from "./scale";

export type Box = { left: number; right: number; top: number; bottom: number };

export function overlap(a: Box, b: Box): boolean {
  return a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom;
}

/** Whether any part of the straight line from a to b lies within the box. */
export function goesThrough(box: Box, a: Point, b: Point): boolean {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  let [enters, leaves] = [0, 1];
  // Where it passes each of the four sides, as shares of the way (Liang and Barsky 1984).
  for (const [by, room] of [
    [-dx, a.x - box.left],
    [dx, box.right - a.x],
    [-dy, a.y - box.top],
    [dy, box.bottom - a.y],
  ] as const) {
    if (by === 0) {
      if (room < 0) {
        return false;
      }
    } else if (by < 0) {
      enters = Math.max(enters, room / by);
    } else {
      leaves = Math.min(leaves, room / by);
    }
  }
  return enters <= leaves;
}
