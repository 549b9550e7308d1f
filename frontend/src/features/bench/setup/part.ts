// What every part of the set-up is given.
import type { Bench, Change } from "../../../api/types";

export type Part = { bench: Bench; make: (change: Change) => Promise<void> };
