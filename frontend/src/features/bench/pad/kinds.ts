// What the pad asks for each kind of sighting, as the server has it. Nothing here knows them apart.
import type { PadKind, PadKinds, Sighting } from "../../../api/types";

export type Place = { x: number; y: number };
export type Along = "straight" | "level" | "plumb";

export type PadEntry = {
  landmarks: string[];
  value: string;
  side: string | null;
  along: Along;
  /** The take it belongs to, if it belongs to any. */
  take: string | null;
};

/** Ways of measuring, for the kinds where the artist chooses. */
export const ALONGS: readonly [Along, string][] = [
  ["straight", "straight"],
  ["level", "across"],
  ["plumb", "upright"],
];

const ID = "new";

export function padKind(kinds: PadKinds, key: string): PadKind {
  return kinds.kinds.find((each) => each.key === key) ?? (kinds.kinds[0] as PadKind);
}

/** The entry of the pad that a reading of the API was, or would be, made with. */
export function heldAs(
  kinds: PadKinds,
  kind: string,
  along?: string | null,
  axis?: string | null,
): string {
  const fits = (each: PadKind) =>
    each.kind === kind &&
    (!each.fixed?.along || each.fixed.along === along) &&
    (!each.fixed?.axis || each.fixed.axis === axis);
  return kinds.kinds.find(fits)?.key ?? kind;
}

/** The entry as the sighting that is sent. */
export function toSighting(kind: PadKind, entry: PadEntry): Sighting {
  const made: Record<string, unknown> = { id: ID, kind: kind.kind, ...kind.fixed };
  kind.slots.forEach(([, field], i) => {
    const landmark = entry.landmarks[i] ?? "";
    const twice = kind.slots.filter(([, each]) => each === field).length > 1;
    made[field] = twice ? [...((made[field] as string[]) ?? []), landmark] : landmark;
  });
  if (kind.measured) {
    made.along = entry.along;
  }
  if (kind.in_takes && entry.take) {
    made.take = entry.take;
  }
  if (kind.side) {
    made[kind.side] = entry.side ?? undefined;
  }
  if (kind.value && entry.value) {
    const behind = !kind.side && kind.sides && entry.side === kind.sides[1];
    made[kind.value] = behind && entry.value !== "0" ? `-${entry.value}` : entry.value;
  }
  return made as unknown as Sighting;
}

/** Towards which side the second landmark lies on the picture. */
export function sideOf(kind: PadKind, from: Place | undefined, to: Place | undefined) {
  if (!kind.sides || kind.axis === null) {
    return null;
  }
  const ahead = !from || !to || (kind.axis === 0 ? to.x >= from.x : to.y >= from.y);
  return kind.sides[ahead ? 0 : 1];
}

/** Ratios may be left empty (equal), and some kinds have no value; nothing else is ever assumed. */
export function asksForValue(kind: PadKind): boolean {
  return kind.sort !== "none" && kind.sort !== "ratio";
}

/** A value as it is meant by what was typed: an hour needs no colon, 130 is 1:30. */
export function asMeant(sort: string, value: string): string {
  const found = /^(\d{1,2})([0-5]\d)$/.exec(value.trim());
  const [, hour = "", minutes = ""] = found ?? [];
  return sort === "tilt" && found && Number(hour) <= 12 && Number(hour) > 0
    ? `${hour}:${minutes}`
    : value.trim();
}
