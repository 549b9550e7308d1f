// Whether a reading says what was just read.
import type { Bench } from "../../../api/types";
import type { Pad } from "./usePad";

/** Whether the same was read already in the stance at hand, which began with the take at hand. */
export function justTaken(bench: Bench, pad: Pad): boolean {
  const begins = bench.readings.findIndex((each) => each.take === pad.take);
  const { kind, ...own } = pad.sighting() as unknown as Record<string, unknown>;
  const ends = [own.from, own.to].sort().join();
  return bench.readings
    .slice(begins < 0 ? bench.readings.length : begins)
    .some(
      ({ entry, state }) =>
        state !== "struck" &&
        own.from !== undefined &&
        entry.kind === kind &&
        (entry.along ?? null) === (own.along ?? null) &&
        [entry.from, entry.to].sort().join() === ends,
    );
}
