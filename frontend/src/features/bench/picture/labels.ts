// Where words stand on the picture so that none lies over another, over a mark, or over the edge:
// values in doubt first, then what is chosen, then the rest as there is room; what finds none beside
// its mark is led out to where there is some.
import { type Box, goesThrough, overlap } from "../../../geometry/boxes";
import type { Point } from "../../../geometry/scale";
import { beside, leadEnd, ledOut, type Spot, wordBox } from "../../../geometry/words";
import { LOW } from "./layout";
import type { Drawn, Picture } from "./usePicture";

export type Label = Spot & {
  key: string;
  text: string;
  look: "lit" | "landmark" | "shape" | "strain";
};

/** A reading in doubt: its two ends on the sheet, and what it says. */
export type Strain = { key: string; text: string; a: Point; b: Point };

type Side = { name: string; left: number; right: number; at: (each: Drawn) => Point | null };
type Wanted = {
  ids: readonly string[];
  /** Whether every name is wanted. */
  all: boolean;
  width: number;
  height: number;
  strains: readonly Strain[];
};

/** Up to so many landmarks have their whole names at any distance; more have them from near. */
const FEW = 14;
const NEAR = 1.6;
const LETTER = { lit: 7.6, landmark: 6.7, shape: 7, strain: 8 };
const LINE = 14;
const AWAY = 8;
/** Shares of a strained line at which its value may stand, the best first. */
const ALONG = [0.5, 0.38, 0.62, 0.26, 0.74];

export function placed(picture: Picture, wanted: Wanted): Label[] {
  const { divide } = picture.layout;
  const { ids, all, width, height, strains } = wanted;
  const only = height < LOW && !all;
  const near = only || all || picture.drawn.length <= FEW || picture.layout.zoom >= NEAR;
  const sides: Side[] = [
    { name: "subject", left: 0, right: divide, at: (each) => each.seen },
    { name: "sheet", left: divide, right: width, at: (each) => each.mark },
  ];
  return sides.flatMap((side) => {
    const room = new Room(picture, side, height);
    if (side.name === "sheet") {
      for (const each of strains) {
        room.putOneOf(alongStrain(each), true);
      }
    }
    const order = [...picture.drawn].sort(
      (a, b) =>
        Number(ids.includes(b.landmark.id)) - Number(ids.includes(a.landmark.id)) ||
        a.landmark.tier - b.landmark.tier,
    );
    for (const each of order) {
      const at = side.at(each);
      const lit = ids.includes(each.landmark.id);
      const shown = lit || (near && !only);
      if (at && at.x >= side.left && at.x <= side.right && shown) {
        named(room, side, each, at, lit, all);
      }
    }
    if (!near) {
      for (const ways of shapes(picture, side)) {
        room.putOneOf(room.clearest(ways), false);
      }
    }
    return room.made;
  });
}

/** One side while it fills: what is taken, and what stands there. */
class Room {
  readonly made: Label[] = [];
  private readonly taken: Box[];
  private readonly lines: [Point, Point][];
  /** Under the titles and, over the sheet, under its ruler. */
  private readonly ceiling: number;

  constructor(
    picture: Picture,
    private readonly side: Side,
    private readonly height: number,
  ) {
    this.taken = picture.drawn.flatMap((each) => {
      const at = side.at(each);
      return at ? [{ left: at.x - 4, right: at.x + 4, top: at.y - 4, bottom: at.y + 4 }] : [];
    });
    const under = this.height < LOW ? 34 : 50;
    this.ceiling = side.name === "sheet" ? Math.max(under, picture.layout.sheet.top - 4) : under;
    const outlines = side.name === "sheet" ? picture.onSheet : picture.onSubject;
    this.lines = outlines.flatMap(({ points, closed }) =>
      points.flatMap((p, i): [Point, Point][] => {
        const next = points[i + 1] ?? (closed ? points[0] : undefined);
        return next ? [[p, next]] : [];
      }),
    );
  }

  /** Puts the first of the ways that has room; with `always`, the first of all if none has. */
  putOneOf(ways: readonly Label[], always: boolean): boolean {
    const found = ways.find((each) => this.hasRoom(each)) ?? (always ? ways[0] : undefined);
    if (found) {
      this.taken.push(boxOf(found));
      this.made.push(found);
    }
    return found !== undefined;
  }

  /** The ways with those first over which the fewest lines of the drawing run. */
  clearest(ways: readonly Label[]): Label[] {
    const crossed = (each: Label) =>
      this.lines.filter(([a, b]) => goesThrough(boxOf(each), a, b)).length;
    return ways
      .map((label) => ({ label, count: crossed(label) }))
      .sort((a, b) => a.count - b.count)
      .map(({ label }) => label);
  }

  private hasRoom(label: Label): boolean {
    const box = boxOf(label);
    const { from } = label;
    const inside =
      box.left >= this.side.left + 2 &&
      box.right <= this.side.right - 2 &&
      box.top > this.ceiling &&
      box.bottom < this.height;
    return (
      inside &&
      !this.taken.some((each) => overlap(each, box)) &&
      // A lead over another word would cut through it.
      !(from && this.made.some((each) => goesThrough(boxOf(each), from, leadEnd(label))))
    );
  }
}

/** A landmark's name: beside its mark, else led out, else, where it must be there, its letters. */
function named(room: Room, side: Side, each: Drawn, at: Point, lit: boolean, all: boolean): void {
  const { id, name, letters } = each.landmark;
  const look = lit ? "lit" : "landmark";
  const key = `${id} ${side.name}`;
  const text = `${name} · ${letters}`;
  const spots = [...beside(at, AWAY), ...ledOut(at)];
  const full: Label[] = spots.map((spot) => ({ key, text, look, ...spot }));
  if (room.putOneOf(full, false) || room.putOneOf(around(at, key, name, look), false)) {
    return;
  }
  if (lit || all) {
    const short = around(at, key, letters, look);
    const fits = short.filter((way) => boxOf(way).right <= side.right);
    room.putOneOf(fits.length ? fits : short, true);
  }
}

function alongStrain({ key, text, a, b }: Strain): Label[] {
  return ALONG.flatMap((share) => {
    const x = a.x + (b.x - a.x) * share;
    const y = a.y + (b.y - a.y) * share + 4;
    return [
      { key, text, x: x + 12, y, anchor: "start" as const, look: "strain" as const },
      { key, text, x: x - 12, y, anchor: "end" as const, look: "strain" as const },
      { key, text, x, y: y - 12, anchor: "middle" as const, look: "strain" as const },
      { key, text, x, y: y + 20, anchor: "middle" as const, look: "strain" as const },
    ];
  });
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
        ? [0, LINE, -LINE, 2 * LINE, -2 * LINE].map((down) => ({
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
  return beside(at, AWAY).map((way) => ({ key, text, look, ...way }));
}

function boxOf(label: Label): Box {
  return wordBox(label, label.text, LETTER[label.look]);
}
