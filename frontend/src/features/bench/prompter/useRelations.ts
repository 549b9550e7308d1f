// The simple relations in the drawing, one at a time.
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { queries } from "../../../api/queries";
import type { Bench, Relation, Relations } from "../../../api/types";

/** The simple relations, then the lines for the whole drawing; and which of them is shown. */
export function useRelations(bench: Bench, adopt: (relation: Relation) => void) {
  const [step, setStep] = useState(0);
  const { data } = useQuery(queries.relations(bench));
  const all = [...(data?.relations ?? []), ...asRelations(data?.lines)];
  return {
    count: all.length,
    shown: all.length ? all[step % all.length] : undefined,
    another: () => setStep((old) => old + 1),
    adopt,
  };
}

/** Plumb and level lines for the whole drawing, to be stepped through after the relations. */
function asRelations(lines: Relations["lines"] | undefined): Relation[] {
  return (lines ?? []).map((line) => {
    const kind = line.axis === "plumb" ? "drop" : "level";
    const [from = "", to = ""] = line.through;
    return {
      said: line.said,
      within: "",
      kind,
      along: null,
      landmarks: line.through.slice(0, 1),
      entry: { id: "r", kind, from, to },
      worth: 0,
    };
  });
}
