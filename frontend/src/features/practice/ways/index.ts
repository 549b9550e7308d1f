import type { PosedWay } from "../../../api/types";
import { along } from "./along";
import { choose } from "./choose";
import { place } from "./place";
import { places } from "./places";
import { scale } from "./scale";
import { stretch } from "./stretch";
import { turn } from "./turn";
import type { Way } from "./way";

export const WAYS: Record<PosedWay["sort"], Way> = {
  along,
  choose,
  turn,
  scale,
  stretch,
  place,
  places,
};
export { moved, next, put, taken } from "./places";
export { RULER } from "./scale";
export type { Answer } from "./way";
