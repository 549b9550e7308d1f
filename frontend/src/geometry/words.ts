// Where the names of points stand so that none lies over another, over a point, or over an edge.
import { type Box, overlap } from "./boxes";
import type { Point } from "./scale";

export type Anchor = "start" | "middle" | "end";
/** The name of a point: which, what it says, where the point lies, whether it has to be there. */
export type Wanted = { id: string; text: string; at: Point; must: boolean };
export type Placed = Wanted & { x: number; y: number; anchor: Anchor };

const AWAY = 9;
const ASCENT = 11;
const DESCENT = 3;
const DOT = 5;

/** Beside a point: to the right of it above and below, to the left, over it and under it. */
export function beside(at: Point, away = AWAY): { x: number; y: number; anchor: Anchor }[] {
  const made = (x: number, y: number, anchor: Anchor) => ({ x: at.x + x, y: at.y + y, anchor });
  return [
    made(away, -5, "start"),
    made(-away, -5, "end"),
    made(away, 14, "start"),
    made(-away, 14, "end"),
    made(0, -10, "middle"),
    made(0, 20, "middle"),
  ];
}

/** The box of words on their base line, `letter` being the mean width of one. */
export function wordBox(
  { x, y, anchor }: { x: number; y: number; anchor: Anchor },
  text: string,
  letter: number,
): Box {
  const wide = text.length * letter;
  const left = anchor === "start" ? x : anchor === "end" ? x - wide : x - wide / 2;
  return { left, right: left + wide, top: y - ASCENT, bottom: y + DESCENT };
}

/** Those that have to be there come first; of the rest, those that find room. */
export function besidePoints(
  wanted: readonly Wanted[],
  points: readonly Point[],
  room: Box,
  letter: number,
): Placed[] {
  const taken = points.map((p) => ({
    left: p.x - DOT,
    right: p.x + DOT,
    top: p.y - DOT,
    bottom: p.y + DOT,
  }));
  const made: Placed[] = [];
  for (const each of [...wanted].sort((a, b) => Number(b.must) - Number(a.must))) {
    const ways = beside(each.at).map((way) => ({ ...each, ...way }));
    const inside = ways.filter((way) => within(wordBox(way, each.text, letter), room));
    const free = inside.find(
      (way) => !taken.some((other) => overlap(other, wordBox(way, each.text, letter))),
    );
    const found = free ?? (each.must ? (inside[0] ?? ways[0]) : undefined);
    if (found) {
      taken.push(wordBox(found, each.text, letter));
      made.push(found);
    }
  }
  return made;
}

function within(box: Box, room: Box): boolean {
  return (
    box.left >= room.left &&
    box.right <= room.right &&
    box.top >= room.top &&
    box.bottom <= room.bottom
  );
}
