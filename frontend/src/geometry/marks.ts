// Paths for the signs drawn between two points.
import type { Point } from "./scale";

/** A zigzag from a to b: a reading under strain. */
export function zigzag(a: Point, b: Point, width = 5, step = 9): string {
  const dx = b.x - a.x;
  const dy = b.y - a.y;
  const length = Math.hypot(dx, dy) || 1;
  const count = Math.max(2, Math.round(length / step));
  const points = [`M${a.x.toFixed(1)} ${a.y.toFixed(1)}`];
  for (let i = 1; i < count; i++) {
    const side = (i % 2 ? 1 : -1) * width;
    const x = a.x + (dx * i) / count - (dy / length) * side;
    const y = a.y + (dy * i) / count + (dx / length) * side;
    points.push(`L${x.toFixed(1)} ${y.toFixed(1)}`);
  }
  points.push(`L${b.x.toFixed(1)} ${b.y.toFixed(1)}`);
  return points.join("");
}

/** A line through points, closed or not. */
export function polyline(points: readonly Point[], closed: boolean): string {
  const path = points.map((p, i) => `${i ? "L" : "M"}${p.x.toFixed(1)} ${p.y.toFixed(1)}`).join("");
  return closed ? `${path}Z` : path;
}

/** Whether an angle in degrees on the clock (from 12, clockwise) and back: the hand's tip. */
export function handTip(centre: Point, radius: number, degrees: number): Point {
  const radians = (degrees * Math.PI) / 180;
  return { x: centre.x + radius * Math.sin(radians), y: centre.y - radius * Math.cos(radians) };
}

/** Degrees from 12 o'clock, clockwise, 0 to 180, of the line from the centre to a point. */
export function handAngle(centre: Point, at: Point): number {
  const degrees = (Math.atan2(at.x - centre.x, centre.y - at.y) * 180) / Math.PI;
  return ((degrees % 180) + 180) % 180;
}
