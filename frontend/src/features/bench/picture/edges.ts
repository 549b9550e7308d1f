// Which line between two landmarks a finger meant.
import type { Point } from "../../../geometry/scale";
import type { Picture } from "./usePicture";

const NEAR = 14;

/** The two ends of the line of a shape that is nearest to a tap, if one is near. */
export function edgeAt(picture: Picture, at: Point): [string, string] | null {
  const lines = at.x >= picture.layout.divide ? picture.onSheet : picture.onSubject;
  let best: [string, string] | null = null;
  let least = NEAR;
  for (const { ids, points, closed } of lines) {
    for (let i = 0; i < points.length - (closed ? 0 : 1); i++) {
      const j = (i + 1) % points.length;
      const [a, b, from, to] = [points[i], points[j], ids[i], ids[j]];
      if (a && b && from && to && apart(a, b, at) < least) {
        least = apart(a, b, at);
        best = [from, to];
      }
    }
  }
  return best;
}

/** Distance of a point from the line between two others. */
function apart(a: Point, b: Point, p: Point): number {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const square = dx * dx + dy * dy || 1;
  const t = Math.max(0, Math.min(1, ((p.x - a.x) * dx + (p.y - a.y) * dy) / square));
  return Math.hypot(p.x - a.x - t * dx, p.y - a.y - t * dy);
}
