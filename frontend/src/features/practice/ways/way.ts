// What a way of answering has to say: where an answer begins, what pointing and keys make of it.
import type { PosedWay } from "../../../api/types";
import type { Point } from "../../../geometry/scale";

/** An answer in the making: numbers, null for what is not placed yet. */
export type Answer = readonly (number | null)[];

/** What a key asks for: so many small steps right and down. */
export type Nudge = { x: number; y: number };

export type Way = {
  /** Where keys begin: anywhere, so that no answer is suggested. `chance` is from 0 to 1. */
  begin: (way: PosedWay, chance: number) => Answer;
  /** The answer where the board is pointed at. */
  at: (way: PosedWay, p: Point, before: Answer | null) => Answer;
  nudge: (way: PosedWay, before: Answer, by: Nudge) => Answer;
  /** The answer as it is drawn, for a board of so many pixels. */
  Shown: (props: {
    way: PosedWay;
    answer: Answer;
    size: number;
    truth?: number | undefined;
  }) => React.ReactNode;
  /** What to do, in a few words. */
  how: string;
  /** Whether it may be typed as well. */
  typed?: boolean;
};

export const within = (value: number, low: number, high: number) =>
  Math.min(Math.max(value, low), high);

export function spot(way: PosedWay, number: number): Point {
  const [x, y] = way.spots[number] ?? [0, 0];
  return { x, y };
}
