// Keys of a drill, and what is said of how to answer.
import type { Point } from "../../geometry/scale";

export const ARROWS: Record<string, Point> = {
  ArrowLeft: { x: -1, y: 0 },
  ArrowRight: { x: 1, y: 0 },
  ArrowUp: { x: 0, y: -1 },
  ArrowDown: { x: 0, y: 1 },
};

/** What to do, where the shape of what is set says more than its way. */
export const HOW: Record<string, string> = {
  bare: "Point where it goes",
  half: "Point where it goes",
};

export const KEYS = [
  { keys: "← → ↑ ↓", does: "move the answer; with Shift, faster" },
  { keys: "0–9 : / .", does: "type a count (1 3/8) or an hour (1:30)" },
  { keys: "Enter", does: "answer; then the next one" },
  { keys: "Space", does: "where several are placed: set the next one where the cross is" },
  { keys: "Esc", does: "take back what is typed, or stop" },
];
