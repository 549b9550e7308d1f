// Which two areas are compared, and what is said of them.
import { useState } from "react";
import type { Change, ToneRoom } from "../../api/types";

export type Asked = { kind: string; first: string; second: string | null };
export type Comparing = ReturnType<typeof useComparing>;

/** From the first area much darker to the second much darker. */
export const ANSWERS = [
  { way: 1, by: "much", label: "much" },
  { way: 1, by: "clearly", label: "clearly" },
  { way: 1, by: "little", label: "little" },
  { way: 0, by: null, label: "alike" },
  { way: -1, by: "little", label: "little" },
  { way: -1, by: "clearly", label: "clearly" },
  { way: -1, by: "much", label: "much" },
] as const;

export const STEPS = [1, 2, 3, 4, 5, 6, 7, 8, 9] as const;

export function useComparing(
  room: ToneRoom | undefined,
  tell: (change: Change) => Promise<boolean>,
) {
  const [turn, setTurn] = useState(0);
  const [own, setOwn] = useState<Asked | null>(null);
  const questions = room?.questions ?? [];
  const next = questions.length ? questions[turn % questions.length] : undefined;
  const asked: Asked | null =
    own ?? (next ? { kind: next.kind, first: next.first, second: next.second } : null);
  const keep = async (reading: Record<string, unknown>) => {
    const id = `n${(room?.comparisons.length ?? 0) + 1}`;
    const change = { type: "compare_tones", reading: { id, ...reading } } as Change;
    if (await tell(change)) {
      setOwn(null);
      setTurn(0);
    }
  };
  const answer = (at: number) => {
    const given = ANSWERS[at];
    if (!asked?.second || !given) {
      return;
    }
    const [first, second] =
      given.way < 0 ? [asked.second, asked.first] : [asked.first, asked.second];
    keep(
      given.by === null
        ? { kind: "alike", first, second }
        : { kind: "darker", first, second, by: given.by },
    );
  };
  const step = (at: number) => asked && keep({ kind: "step", area: asked.first, step: at });
  const another = () => {
    setOwn(null);
    setTurn((old) => old + 1);
  };
  return {
    asked,
    said: own === null ? (next?.said ?? null) : null,
    answer,
    step,
    another,
    ask: setOwn,
    key: (key: string): boolean => {
      const number = Number(key);
      if (key === "n") {
        another();
        return true;
      }
      if (!asked || !Number.isInteger(number) || number < 1) {
        return false;
      }
      if (asked.kind === "step") {
        step(number);
      } else if (number <= ANSWERS.length) {
        answer(number - 1);
      }
      return true;
    },
  };
}
