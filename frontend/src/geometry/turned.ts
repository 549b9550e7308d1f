// Places on a turned and cropped picture, and back to the upright one: for pointing at it.
import type { Point } from "./scale";

export type Turned = {
  width: number;
  height: number;
  turn_deg: number;
  /** left, top, right, bottom in shares of the canvas that holds the turned picture. */
  crop: readonly [number, number, number, number] | readonly number[];
};

function canvas(p: Turned): { width: number; height: number; c: number; s: number } {
  const turn = (p.turn_deg * Math.PI) / 180;
  const [c, s] = [Math.cos(turn), Math.sin(turn)];
  return {
    width: p.width * Math.abs(c) + p.height * Math.abs(s),
    height: p.width * Math.abs(s) + p.height * Math.abs(c),
    c,
    s,
  };
}

/** Height over width of what is looked at. */
export function proportion(p: Turned): number {
  const box = canvas(p);
  const [left = 0, top = 0, right = 1, bottom = 1] = p.crop;
  return ((bottom - top) * box.height) / ((right - left) * box.width);
}

/** From shares of what is looked at to pixels of the upright picture. */
export function toPicture(p: Turned, at: Point): Point {
  const box = canvas(p);
  const [left = 0, top = 0, right = 1, bottom = 1] = p.crop;
  const x = (left + at.x * (right - left)) * box.width - box.width / 2;
  const y = (top + at.y * (bottom - top)) * box.height - box.height / 2;
  return { x: x * box.c + y * box.s + p.width / 2, y: -x * box.s + y * box.c + p.height / 2 };
}

/** From pixels of the upright picture to shares of what is looked at. */
export function toShown(p: Turned, at: Point): Point {
  const box = canvas(p);
  const [left = 0, top = 0, right = 1, bottom = 1] = p.crop;
  const x = at.x - p.width / 2;
  const y = at.y - p.height / 2;
  const there = {
    x: x * box.c - y * box.s + box.width / 2,
    y: x * box.s + y * box.c + box.height / 2,
  };
  return {
    x: (there.x / box.width - left) / (right - left),
    y: (there.y / box.height - top) / (bottom - top),
  };
}
