// A drawing's scale: millimetres on the sheet to pixels on the screen, and back.

export type Point = { x: number; y: number };

export class Scale {
  constructor(
    readonly perMm: number,
    readonly left: number,
    readonly top: number,
  ) {}

  toScreen(p: Point): Point {
    return { x: this.left + p.x * this.perMm, y: this.top + p.y * this.perMm };
  }

  toSheet(p: Point): Point {
    return { x: (p.x - this.left) / this.perMm, y: (p.y - this.top) / this.perMm };
  }
}

/** The scale that lays a box of `size` mm into a box of pixels, centred, with borders. */
export function fitted(
  size: { width: number; height: number },
  box: { left: number; top: number; width: number; height: number },
): Scale {
  const perMm = Math.min(box.width / size.width, box.height / size.height);
  return new Scale(
    perMm,
    box.left + (box.width - size.width * perMm) / 2,
    box.top + (box.height - size.height * perMm) / 2,
  );
}
