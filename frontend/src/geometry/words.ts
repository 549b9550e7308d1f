// Where the names of points stand so that none lies over another, over a point, or over an edge;
// what has to be there and finds no room beside its point is led out to where there is some.
import { type Box, goesThrough, overlap } from "./boxes";
import type { Point } from "./scale";

export type Anchor = "start" | "middle" | "end";
/** The name of a point: which, what it says, where the point lies, whether it has to be there. */
export type Wanted = { id: string; text: string; at: Point; must: boolean };
export type Spot = Point & {
  anchor: Anchor;
  /** The point from which it is led out; none where it stands beside it. */
  from?: Point;
};
export type Placed = Wanted & Spot;

const AWAY = 9;
const ASCENT = 11;
const DESCENT = 3;
const DOT = 5;
/** How far, in pixels, a name is led out, and into how many directions. */
const LED = [28, 46, 70, 100];
const DIRECTIONS = 12;

/** Beside a point: to the right of it above and below, to the left, over it and under it. */
export function beside(at: Point, away = AWAY): Spot[] {
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

/** Further out, with a line back to the point: the nearest first, the sides before up and down. */
export function ledOut(at: Point): Spot[] {
  return LED.flatMap((far) =>
    Array.from({ length: DIRECTIONS }, (_, i) => {
      // From the right by turns upwards and downwards, until the left is reached.
      const turn = (Math.PI * (i % 2 ? i + 1 : -i)) / DIRECTIONS;
      const [x, y] = [at.x + far * Math.cos(turn), at.y + far * Math.sin(turn)];
      const anchor = x >= at.x ? ("start" as const) : ("end" as const);
      return { x, y: y + 5, anchor, from: at };
    }),
  );
}

/** Where the line to a name ends: at the middle of the side of its word that is next to the point. */
export function leadEnd({ x, y, anchor }: Spot): Point {
  return { x: x + (anchor === "start" ? -3 : 3), y: y - 5 };
}

/** The box of words on their base line, `letter` being the mean width of one. */
export function wordBox({ x, y, anchor }: Spot, text: string, letter: number): Box {
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
  const made: Placed[] = [];
  const taken = points.map((p) => ({
    left: p.x - DOT,
    right: p.x + DOT,
    top: p.y - DOT,
    bottom: p.y + DOT,
  }));
  // A lead over another word would cut through it.
  const cuts = ({ from, ...spot }: Placed) =>
    from && made.some((one) => goesThrough(wordBox(one, one.text, letter), from, leadEnd(spot)));
  for (const each of [...wanted].sort((a, b) => Number(b.must) - Number(a.must))) {
    const ways = [...beside(each.at), ...(each.must ? ledOut(each.at) : [])].map((way) => ({
      ...each,
      ...way,
    }));
    const inside = ways.filter((way) => within(wordBox(way, each.text, letter), room));
    const free = inside.find(
      (way) =>
        !taken.some((other) => overlap(other, wordBox(way, each.text, letter))) && !cuts(way),
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
