// Several readings in one go: what can be done with what has been laid together.
import type { PadKind, PadKinds, Sighting } from "../../../api/types";
import { padKind } from "./kinds";
import type { PadState } from "./padState";
import { afterChoice, asSighting, canBeSeveral, laid, taken, tapTells } from "./several";

type Given = {
  state: PadState;
  setState: (change: (old: PadState) => PadState) => void;
  kinds: PadKinds;
  kind: PadKind;
  side: string | null;
  take: string;
};

export function useSeveral({ state, setState, kinds, kind, side, take }: Given) {
  const { rows } = state;
  const [from] = state.slots;
  return {
    can: canBeSeveral(kind),
    on: rows !== null,
    ready: rows !== null && rows.length > 0,
    /** The list stands where the values are given. */
    instead: rows !== null && tapTells(kind) && !state.slots[1],
    toggle: () => setState((old) => ({ ...old, rows: old.rows ? null : [] })),
    /** A plumb or level hung through a landmark. */
    hang: (key: string, through: string) =>
      setState((old) => ({
        ...old,
        kind: key,
        slots: padKind(kinds, key).slots.map((_, i) => (i === 0 ? through : null)),
        active: 1,
        value: "",
        letters: "",
        side: null,
        editing: null,
        rows: [],
      })),
    /** Whether something on the pad is still to be laid to the others. */
    open: rows !== null && Boolean(state.slots[1]) && state.value !== "",
    lay: () => setState((old) => laid(old, side)),
    turn: (to: string) =>
      setState((old) =>
        tapTells(kind)
          ? afterChoice({ ...old, slots: [old.slots[0] ?? null, to] }, kind)
          : taken(old, to),
      ),
    take: (to: string) => setState((old) => taken(old, to)),
    leave: (to: string) =>
      setState((old) => ({ ...old, rows: (old.rows ?? []).filter((each) => each.to !== to) })),
    /** The last one is on that side only. */
    toSide: (to: string) =>
      setState((old) => ({
        ...old,
        rows: (old.rows ?? []).map((each, i, all) =>
          i === all.length - 1 ? { ...each, value: "", side: to } : each,
        ),
      })),
    takeLast: () => {
      const last = rows?.at(-1);
      if (last) {
        setState((old) => taken(old, last.to));
      }
    },
    sightings: (): Sighting[] =>
      (rows ?? []).map((row) =>
        asSighting(kind, from ?? "", row, {
          landmarks: [],
          value: "",
          side: null,
          along: state.along,
          take,
        }),
      ),
  };
}
