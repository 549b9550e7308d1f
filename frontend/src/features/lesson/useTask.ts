// What a lesson is to ask, while it is put together.
import { useState } from "react";
import type { Task } from "../../api/lessons";

export type Draft = {
  handIn: NonNullable<Task["hand_in"]>;
  readings: number;
  kinds: string[];
  text: string;
  picture: string | null;
  time: "none" | "minutes" | "day";
  minutes: number;
  till: string;
  truth: NonNullable<Task["truth"]>;
  method: string | null;
  eyeFirst: boolean;
};

const USUAL: Draft = {
  handIn: "block_in",
  readings: 10,
  kinds: [],
  text: "",
  picture: null,
  time: "none",
  minutes: 40,
  till: "",
  truth: "handed_in",
  method: null,
  eyeFirst: false,
};

export function useTask() {
  const [draft, setDraft] = useState(USUAL);
  return {
    draft,
    set: (some: Partial<Draft>) => setDraft((old) => ({ ...old, ...some })),
  };
}

/** The draft as the API has it. */
export function asked(draft: Draft) {
  const task = {
    hand_in: draft.handIn,
    readings: draft.readings,
    kinds: draft.kinds,
    text: draft.text.trim() || null,
    picture: draft.picture,
    minutes: draft.time === "minutes" ? draft.minutes : null,
    till: draft.time === "day" && draft.till ? draft.till : null,
    truth: draft.truth,
  } as Task;
  return { task, method: draft.method, eye_first: draft.eyeFirst };
}
