// What stands on the pad, and a reading laid out on it again. No DOM.
import type { Bench, PadKinds } from "../../../api/types";
import { asCounted } from "./counts";
import { type Along, heldAs, padKind } from "./kinds";
import type { Row } from "./several";
import { asTyped } from "./tilts";

export type PadState = {
  kind: string;
  slots: (string | null)[];
  active: number;
  /** Letters typed so far for the active slot. */
  letters: string;
  /** What was typed that no landmark begins with. */
  nobody: string | null;
  value: string;
  /** What the eye gave, before it was measured. */
  guess: string | null;
  /** The value came from the reading being corrected: the next sign replaces it. */
  fresh: boolean;
  side: string | null;
  along: Along;
  take: string | null;
  /** Id of the reading that is being corrected. */
  editing: string | null;
  /** What has been laid together, where several are read in one go. */
  rows: Row[] | null;
  /** The two landmarks are the unit's or the last reading's: what another length is compared with. */
  borrowed: boolean;
  /** It is meant to be taken once more. */
  again: boolean;
};

export const EMPTY: PadState = {
  kind: "upright",
  slots: [null, null],
  active: 0,
  letters: "",
  nobody: null,
  value: "",
  guess: null,
  fresh: false,
  side: null,
  along: "straight",
  take: null,
  editing: null,
  rows: null,
  borrowed: false,
  again: false,
};

/** Whether something stands on the pad that would be lost. */
export function touched(state: PadState): boolean {
  return state.value !== "" || state.letters !== "" || state.slots.some((each) => each !== null);
}

/** A number with its sign before it, as it is typed. */
function counted(value: number): string {
  return `${value < 0 ? "-" : ""}${asCounted(Math.abs(value))}`;
}

export type Entry = Bench["readings"][number]["entry"];

export function fromEntry(kinds: PadKinds, entry: Entry, old: PadState): PadState {
  const text = (name: string) => (entry[name] === undefined ? null : String(entry[name]));
  const key = heldAs(kinds, String(entry.kind), text("along"), text("axis"));
  const kind = padKind(kinds, key);
  const names =
    "first" in entry && Array.isArray(entry.first)
      ? [...entry.first, ...(entry.second as string[])]
      : [text("from") ?? text("first"), text("to") ?? text("second"), text("at") ?? text("hits")];
  const raw =
    typeof entry.degrees === "number"
      ? asTyped(entry.degrees)
      : (["units", "degrees", "offset", "fraction", "ratio"]
          .map((name) => (typeof entry[name] === "number" ? counted(entry[name]) : text(name)))
          .find((each) => each !== null) ?? (kind.sort === "offset" ? "0" : null));
  const behind = kind.sort === "offset" && raw?.startsWith("-");
  return {
    ...EMPTY,
    kind: key,
    slots: kind.slots.map((_, i) => names[i] ?? null),
    active: kind.slots.length - 1,
    value: raw === null ? "" : raw.replace(/^-/, ""),
    side: kind.sides ? (behind ? kind.sides[1] : (text("towards") ?? kind.sides[0])) : null,
    along: (kind.measured && (text("along") as Along)) || "straight",
    take: text("take") ?? old.take,
  };
}
