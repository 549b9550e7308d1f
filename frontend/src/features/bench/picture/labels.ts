// Where names stand on the picture so that none lies over another, over a mark, or over the edge.
import type { Point } from "../../../geometry/scale";
import { LOW } from "./layout";
import type { Drawn, Picture } from "./usePicture";

export type Label = {
  key: string;
  text: string;
  x: number;
  y: number;
  anchor: "start" | "middle" | "end";
  look: "lit" | "landmark" | "shape";
};

type Box = { left: number; right: number; top: number; bottom: number };
type Side = { name: string; left: number; right: number; at: (each: Drawn) => Point | null };

/** Up to so many landmarks have their whole names at any distance; more have them from near. */
const FEW = 14;
const NEAR = 1.6;
const LETTER = { lit: 7.6, landmark: 6.7, shape: 7 };
const LINE = 14;
const AWAY = 8;

export function placed(
  picture: Picture,
  ids: readonly string[],
  all: boolean,
  width: number,
  height: number,
  avoid: readonly Point[] = [],
): Label[] {
  const { divide } = picture.layout;
  const only = height < LOW && !all;
  const near = only || all || picture.drawn.length <= FEW || picture.layout.zoom >= NEAR;
  const sides: Side[] = [
    { name: "subject", left: 0, right: divide, at: (each) => each.seen },
    { name: "sheet", left: divide, right: width, at: (each) => each.mark },
  ];
  const said = avoid.map(({ x, y }) => ({ left: x, right: x + 60, top: y - 12, bottom: y + 8 }));
  return sides
    .flatMap((side) => onSide(picture, side, ids, all, near, height, said))
    .filter((each) => !only || each.look === "lit");
}

function onSide(
  picture: Picture,
  side: Side,
  ids: readonly string[],
  all: boolean,
  near: boolean,
  height: number,
  said: readonly Box[],
): Label[] {
  const made: Label[] = [];
  const taken: Box[] = picture.drawn.flatMap((each) => {
    const at = side.at(each);
    return at ? [{ left: at.x - 4, right: at.x + 4, top: at.y - 4, bottom: at.y + 4 }] : [];
  });
  taken.push(...said);
  const put = (label: Label, always: boolean) => {
    const box = boxOf(label);
    const inside =
      box.left >= side.left + 2 &&
      box.right <= side.right - 2 &&
      box.top > 34 &&
      box.bottom < height;
    if (always || (inside && !taken.some((each) => overlap(each, box)))) {
      taken.push(box);
      made.push(label);
      return true;
    }
    return false;
  };
  const order = [...picture.drawn].sort(
    (a, b) =>
      Number(ids.includes(b.landmark.id)) - Number(ids.includes(a.landmark.id)) ||
      a.landmark.tier - b.landmark.tier,
  );
  for (const each of order) {
    const at = side.at(each);
    const lit = ids.includes(each.landmark.id);
    if (!at || at.x < side.left || at.x > side.right || !(lit || near)) {
      continue;
    }
    const { id, name, letters } = each.landmark;
    const text = lit ? `${name} · ${letters}` : name;
    const ways = around(at, `${id} ${side.name}`, text, lit ? "lit" : "landmark");
    const fits = ways.some((label) => put(label, false));
    const short = around(at, `${id} ${side.name}`, lit ? letters : text, "lit");
    const [first, second] = short;
    if (!fits && (lit || all) && first && second) {
      const fitting = short.some((label) => put(label, false));
      if (!fitting) {
        put(boxOf(first).right > side.right ? second : first, true);
      }
    }
  }
  if (!near) {
    for (const ways of shapes(picture, side)) {
      ways.some((label) => put(label, false));
    }
  }
  return made;
}

function shapes(picture: Picture, side: Side): Label[][] {
  const lines = side.name === "sheet" ? picture.onSheet : picture.onSubject;
  return [...lines]
    .sort((a, b) => a.tier - b.tier)
    .map(({ id, name, points }) => {
      const n = points.length;
      const x = points.reduce((sum, p) => sum + p.x, 0) / n;
      const y = points.reduce((sum, p) => sum + p.y, 0) / n;
      return n
        ? [0, LINE, -LINE].map((down) => ({
            key: `${id} ${side.name}`,
            text: name,
            x,
            y: y + down + 4,
            anchor: "middle" as const,
            look: "shape" as const,
          }))
        : [];
    });
}

function around(at: Point, key: string, text: string, look: "lit" | "landmark"): Label[] {
  const made = (x: number, y: number, anchor: "start" | "end" | "middle") => ({
    key,
    text,
    x: at.x + x,
    y: at.y + y,
    anchor,
    look,
  });
  return [
    made(AWAY, -5, "start"),
    made(-AWAY, -5, "end"),
    made(AWAY, 14, "start"),
    made(-AWAY, 14, "end"),
    made(0, -10, "middle"),
    made(0, 20, "middle"),
  ];
}

function boxOf({ x, y, text, anchor, look }: Label): Box {
  const wide = text.length * LETTER[look];
  const left = anchor === "start" ? x : anchor === "end" ? x - wide : x - wide / 2;
  return { left, right: left + wide, top: y - LINE + 3, bottom: y + 3 };
}

function overlap(a: Box, b: Box): boolean {
  return a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom;
}
