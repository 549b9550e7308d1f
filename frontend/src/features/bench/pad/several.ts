// Several readings in one go from one landmark: all that lies on a plumb, a unit stepped on, a fan of
// tilts. No DOM.
import type { PadKind, Sighting } from "../../../api/types";
import { asMeant, type PadEntry, toSighting } from "./kinds";
import type { PadState } from "./padState";

/** A landmark and what is read there. Without a value it is only on that side: a check. */
export type Row = { to: string; value: string; side: string | null };

const SORTS = ["count", "tilt", "offset"];
const ON = "0";

export function canBeSeveral(kind: PadKind): boolean {
  return kind.slots.length === 2 && SORTS.includes(kind.sort);
}

/** Whether a tap alone says all: that it lies on the line. */
export function tapTells(kind: PadKind): boolean {
  return kind.sort === "offset";
}

/** The pad after its second landmark was chosen: on a line it is a row at once; chosen again it goes
 * to the one side, to the other, and off. */
export function afterChoice(state: PadState, kind: PadKind): PadState {
  const [from, to] = state.slots;
  if (!state.rows || !tapTells(kind) || !from || !to) {
    return state;
  }
  const old = state.rows.find((each) => each.to === to);
  const others = state.rows.filter((each) => each.to !== to);
  const next = old ? turned(old, kind) : { to, value: ON, side: kind.sides?.[0] ?? null };
  return { ...state, rows: next ? [...others, next] : others, slots: [from, null], active: 1 };
}

function turned(row: Row, kind: PadKind): Row | null {
  const [ahead, behind] = kind.sides ?? [null, null];
  if (row.value !== "") {
    return { ...row, value: "", side: behind };
  }
  return row.side === behind ? { ...row, side: ahead } : null;
}

/** What stands on the pad, laid to the rows. */
export function laid(state: PadState, side: string | null): PadState {
  const [from, to] = state.slots;
  if (!state.rows || !from || !to || state.value === "") {
    return state;
  }
  const others = state.rows.filter((each) => each.to !== to);
  const rows = [...others, { to, value: state.value, side }];
  return { ...state, rows, slots: [from, null], active: 1, value: "", side: null, fresh: false };
}

/** A row back on the pad, to be given another value. */
export function taken(state: PadState, to: string): PadState {
  const row = state.rows?.find((each) => each.to === to);
  if (!row) {
    return state;
  }
  const rows = (state.rows ?? []).filter((each) => each !== row);
  const slots = [state.slots[0] ?? null, to];
  return { ...state, rows, slots, active: 1, value: row.value, side: row.side, fresh: true };
}

/** The row as the sighting that is sent. */
export function asSighting(kind: PadKind, from: string, row: Row, entry: PadEntry): Sighting {
  if (row.value === "") {
    const ahead = row.side === kind.sides?.[0];
    const [first, second] = ahead ? [row.to, from] : [from, row.to];
    const axis = kind.axis === 0 ? "right" : "lower";
    return { id: "new", kind: "order", first, second, axis } as unknown as Sighting;
  }
  const value = asMeant(kind.sort, row.value);
  return toSighting(kind, { ...entry, landmarks: [from, row.to], value, side: row.side });
}

/** How a row is said in a few signs. */
export function shortly(kind: PadKind, row: Row): string {
  if (row.value === "") {
    return row.side ?? "";
  }
  if (tapTells(kind)) {
    return row.value === ON ? "on it" : `${row.value} ${row.side ?? ""}`;
  }
  return row.value;
}
