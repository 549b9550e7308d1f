// A place for each of several landmarks, in turn; one that is placed can be pulled.
import type { PosedWay } from "../../../api/types";
import type { Point } from "../../../geometry/scale";
import { besidePoints } from "../../../geometry/words";
import { PlacedWords } from "../../../shared/PlacedWords";
import styles from "./Ways.module.css";
import { type Answer, spot, type Way, within } from "./way";

/** How near one must be to a placed landmark to take hold of it, as a share of the board. */
const NEAR = 0.018;
const STEP = 0.004;
/** Width of a figure, in pixels. */
const FIGURE = 9;

export const places: Way = {
  how: "Tap each in turn; pull one that sits wrong",
  begin: (way) => way.names.flatMap(() => [null, null]),
  at: (way, p, before) => put(way, before ?? places.begin(way, 0), next(before), p),
  nudge: (_, before) => before,
  Shown: ({ way, answer, size }) => {
    const put = spots(way, answer).map(({ number, x, y }) => ({
      id: String(number + 1),
      text: String(number + 1),
      at: { x: x * size, y: y * size },
      must: true,
    }));
    const room = { left: 0, right: size, top: 0, bottom: size };
    const numbers = besidePoints(
      put,
      put.map((each) => each.at),
      room,
      FIGURE,
    );
    return (
      <g className={styles.set}>
        {put.map(({ id, at }) => (
          <path key={id} d={`M${at.x - 9} ${at.y}h18M${at.x} ${at.y - 9}v18`} />
        ))}
        <PlacedWords words={numbers} />
      </g>
    );
  },
};

/** Which landmark comes next; as many as there are once all are placed. */
export function next(answer: Answer | null): number {
  const open = (answer ?? []).findIndex((each, i) => i % 2 === 0 && each === null);
  return open < 0 ? (answer?.length ?? 0) / 2 : open / 2;
}

/** Which placed landmark is taken hold of at a spot, or null. */
export function taken(way: PosedWay, answer: Answer, p: Point): number | null {
  const near = spots(way, answer)
    .map((each) => ({ number: each.number, far: Math.hypot(each.x - p.x, each.y - p.y) }))
    .sort((one, other) => one.far - other.far)[0];
  return near && near.far < NEAR ? near.number : null;
}

/** The answer with one landmark put at a spot. */
export function put(way: PosedWay, before: Answer, number: number, p: Point): Answer {
  const [a, b] = [spot(way, 0), spot(way, 1)];
  const made = [...before];
  if (number * 2 + 1 < made.length) {
    made[number * 2] = within((p.x - a.x) / (b.x - a.x), 0, 1);
    made[number * 2 + 1] = within((p.y - a.y) / (b.y - a.y), 0, 1);
  }
  return made;
}

/** A crosshair moved by keys. */
export function moved(way: PosedWay, cross: Point, by: Point): Point {
  const [a, b] = [spot(way, 0), spot(way, 1)];
  return {
    x: within(cross.x + by.x * STEP, a.x, b.x),
    y: within(cross.y + by.y * STEP, a.y, b.y),
  };
}

function spots(way: PosedWay, answer: Answer): { number: number; x: number; y: number }[] {
  const [a, b] = [spot(way, 0), spot(way, 1)];
  return way.names.flatMap((_, number) => {
    const [x, y] = [answer[2 * number], answer[2 * number + 1]];
    return x == null || y == null
      ? []
      : [{ number, x: a.x + x * (b.x - a.x), y: a.y + y * (b.y - a.y) }];
  });
}
