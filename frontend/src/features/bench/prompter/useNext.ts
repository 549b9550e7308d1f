// What to sight next: which of the suggestions is shown, and whether it is enough.
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { queries } from "../../../api/queries";
import type { Bench, Prompt, Sighting } from "../../../api/types";
import type { Unsent } from "../../../shared/useUnsent";

export type Next = ReturnType<typeof useNext>;

export function useNext(bench: Bench, waiting: readonly Unsent[]) {
  const key = `goes on ${bench.id}`;
  const [turn, setTurn] = useState(0);
  const [goesOn, setGoesOn] = useState(() => Number(localStorage.getItem(key)) || 0);
  const { data } = useQuery(queries.prompts(bench));
  // While nothing answers one goes on through what was asked for; what waits to be sent is read.
  const all = data
    ? [...data.sightings, ...data.checks].filter((each) => !waiting.some(reads(each)))
    : [];
  const enough = data?.enough && data.enough.tier > goesOn ? data.enough : null;
  return {
    data,
    /** What is shown was asked for by an earlier version: it can't be taken any more. */
    stale: data !== undefined && data.version !== bench.version,
    /** That the shapes stand, until the artist goes on all the same. */
    enough,
    prompt: all.length && !enough ? all[turn % all.length] : undefined,
    only: all.length < 2,
    /** All that was asked for is read, and waits. */
    awaits: waiting.length > 0 && all.length === 0,
    another: () => setTurn((old) => old + 1),
    begin: () => setTurn(0),
    goOn: () => {
      localStorage.setItem(key, String(enough?.tier ?? 0));
      setGoesOn(enough?.tier ?? 0);
    },
  };
}

/** Whether an entry that waits is the reading that was asked for. */
function reads(prompt: Prompt): (entry: Unsent) => boolean {
  return ({ change, trouble }) => {
    const read = (change as { sighting?: Sighting & { from?: string; to?: string } }).sighting;
    return (
      !trouble && read?.kind === prompt.kind && read.from === prompt.start && read.to === prompt.end
    );
  };
}
