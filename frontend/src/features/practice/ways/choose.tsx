// One of two.
import type { Way } from "./way";

export const choose: Way = {
  how: "Tap it, or use the arrow keys",
  begin: () => [],
  at: (_, p) => [p.x < 0.5 ? -1 : 1],
  nudge: (_, before, by) => (by.x === 0 ? before : [Math.sign(by.x)]),
  Shown: () => null,
};
