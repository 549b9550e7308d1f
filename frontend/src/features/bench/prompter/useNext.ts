// What to sight next: which of the suggestions is shown, and whether it is enough.
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { queries } from "../../../api/queries";
import type { Bench } from "../../../api/types";

export type Next = ReturnType<typeof useNext>;

export function useNext(bench: Bench) {
  const key = `goes on ${bench.id}`;
  const [turn, setTurn] = useState(0);
  const [goesOn, setGoesOn] = useState(() => Number(localStorage.getItem(key)) || 0);
  const { data } = useQuery(queries.prompts(bench));
  const all = data ? [...data.sightings, ...data.checks] : [];
  const enough = data?.enough && data.enough.tier > goesOn ? data.enough : null;
  return {
    data,
    /** What is shown was asked for by an earlier version: it can't be taken any more. */
    stale: data !== undefined && data.version !== bench.version,
    /** That the shapes stand, until the artist goes on all the same. */
    enough,
    prompt: all.length && !enough ? all[turn % all.length] : undefined,
    only: all.length < 2,
    another: () => setTurn((old) => old + 1),
    begin: () => setTurn(0),
    goOn: () => {
      localStorage.setItem(key, String(enough?.tier ?? 0));
      setGoesOn(enough?.tier ?? 0);
    },
  };
}
