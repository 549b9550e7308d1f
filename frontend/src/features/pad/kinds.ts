// What the pad asks for each kind of sighting. One entry a kind; nothing else knows them apart.
import type { Sighting } from "../../api/types";

export type ValueSort = "count" | "tilt" | "offset" | "fraction" | "ratio" | "none";
export type Place = { x: number; y: number };

export type PadEntry = {
  landmarks: string[];
  value: string;
  side: string | null;
  along: Along;
  take: string;
};

export type Along = "straight" | "level" | "plumb";

/** Ways of measuring, for the kinds where the artist chooses. */
export const ALONGS: readonly [Along, string][] = [
  ["straight", "straight"],
  ["level", "across"],
  ["plumb", "upright"],
];

export type PadKind = {
  key: string;
  /** Letter that chooses it once its landmarks are set. */
  letter: string;
  label: string;
  /** What to do with the stick, in one line. */
  how: string;
  /** Name of each landmark asked for, in order. */
  slots: readonly string[];
  sort: ValueSort;
  /** The two sides the value can lie towards; the first is right or down. */
  sides: readonly [string, string] | null;
  axis: 0 | 1 | null;
  inTakes: boolean;
  /** Whether it can be measured straight, across or upright. */
  measured?: true;
  /** What an empty value says, where it may be left empty. */
  none: string | null;
  toSighting: (entry: PadEntry) => Sighting;
};

const pair = (e: PadEntry) => ({ from: e.landmarks[0] ?? "", to: e.landmarks[1] ?? "" });
const pairs = (e: PadEntry) => ({
  first: [e.landmarks[0] ?? "", e.landmarks[1] ?? ""] as [string, string],
  second: [e.landmarks[2] ?? "", e.landmarks[3] ?? ""] as [string, string],
});
const ID = "new";

const offset = (e: PadEntry, back: string) => {
  const said = e.value.trim() || "0";
  return e.side === back && said !== "0" ? `-${said}` : said;
};

const span = (along: "level" | "plumb" | "straight") => (e: PadEntry) =>
  ({
    id: ID,
    kind: "span",
    along,
    ...pair(e),
    ...(along === "straight" ? {} : { towards: e.side ?? undefined }),
    units: e.value,
    take: e.take,
  }) as Sighting;

export const PAD_KINDS: readonly PadKind[] = [
  {
    key: "upright",
    letter: "u",
    label: "Upright",
    how: "Stick upright, elbow locked. Count the height only.",
    slots: ["From", "To"],
    sort: "count",
    sides: ["down", "up"],
    axis: 1,
    inTakes: true,
    none: null,
    toSighting: span("plumb"),
  },
  {
    key: "across",
    letter: "a",
    label: "Across",
    how: "Stick level, elbow locked. Count the width only.",
    slots: ["From", "To"],
    sort: "count",
    sides: ["right", "left"],
    axis: 0,
    inTakes: true,
    none: null,
    toSighting: span("level"),
  },
  {
    key: "straight",
    letter: "s",
    label: "Straight",
    how: "Stick laid along the edge, flat to the eye. Count its length.",
    slots: ["From", "To"],
    sort: "count",
    sides: null,
    axis: null,
    inTakes: true,
    none: null,
    toSighting: span("straight"),
  },
  {
    key: "tilt",
    letter: "t",
    label: "Tilt",
    how: "Lay the stick over the edge, turned like a clock hand. Read the hour.",
    slots: ["From", "To"],
    sort: "tilt",
    sides: null,
    axis: null,
    inTakes: false,
    none: null,
    toSighting: (e) => ({ id: ID, kind: "tilt", ...pair(e), degrees: e.value }),
  },
  {
    key: "plumb",
    letter: "p",
    label: "Plumb",
    how: "Hang the plumb from the first. How far beside it is the second?",
    slots: ["From", "Below or above"],
    sort: "offset",
    sides: ["right", "left"],
    axis: 0,
    inTakes: false,
    none: "on the plumb",
    toSighting: (e) => ({ id: ID, kind: "drop", ...pair(e), offset: offset(e, "left") }),
  },
  {
    key: "level",
    letter: "l",
    label: "Level",
    how: "Hold the stick level at the first. How much lower or higher is the second?",
    slots: ["From", "Across from it"],
    sort: "offset",
    sides: ["lower", "higher"],
    axis: 1,
    inTakes: false,
    none: "level",
    toSighting: (e) => ({ id: ID, kind: "level", ...pair(e), offset: offset(e, "higher") }),
  },
  {
    key: "part",
    letter: "d",
    label: "Part",
    how: "Halve or third the stretch by stick or by eye. Where does the middle one fall?",
    slots: ["From", "To", "In between"],
    sort: "fraction",
    sides: null,
    axis: null,
    inTakes: false,
    none: null,
    measured: true,
    toSighting: (e) => ({
      id: ID,
      kind: "part",
      along: e.along,
      ...pair(e),
      at: e.landmarks[2] ?? "",
      fraction: e.value,
    }),
  },
  {
    key: "match",
    letter: "m",
    label: "Match",
    how: "Set the thumb on one length, lay it over the other. Equal, or how many times?",
    slots: ["This, from", "to", "Equals, from", "to"],
    sort: "ratio",
    sides: null,
    axis: null,
    inTakes: false,
    none: "equal",
    measured: true,
    toSighting: (e) => ({
      id: ID,
      kind: "match",
      along: e.along,
      ...pairs(e),
      ratio: e.value.trim() || "1",
    }),
  },
  {
    key: "run",
    letter: "r",
    label: "Run",
    how: "Carry the line on with the stick until it hits something.",
    slots: ["Line from", "through", "hits"],
    sort: "none",
    sides: null,
    axis: null,
    inTakes: false,
    none: null,
    toSighting: (e) => ({ id: ID, kind: "run", ...pair(e), hits: e.landmarks[2] ?? "" }),
  },
  {
    key: "parallel",
    letter: "e",
    label: "Leans alike",
    how: "Carry the tilt of one edge over to the other.",
    slots: ["Edge from", "to", "Leans like, from", "to"],
    sort: "none",
    sides: null,
    axis: null,
    inTakes: false,
    none: null,
    toSighting: (e) => ({ id: ID, kind: "parallel", ...pairs(e) }),
  },
  {
    key: "lower",
    letter: "o",
    label: "Is lower",
    how: "Only a check: it moves nothing, but warns when the drawing says otherwise.",
    slots: ["This one", "is lower than"],
    sort: "none",
    sides: null,
    axis: null,
    inTakes: false,
    none: null,
    toSighting: (e) => ({
      id: ID,
      kind: "order",
      axis: "lower",
      first: e.landmarks[0] ?? "",
      second: e.landmarks[1] ?? "",
    }),
  },
  {
    key: "righter",
    letter: "i",
    label: "Is right of",
    how: "Only a check: it moves nothing, but warns when the drawing says otherwise.",
    slots: ["This one", "is right of"],
    sort: "none",
    sides: null,
    axis: null,
    inTakes: false,
    none: null,
    toSighting: (e) => ({
      id: ID,
      kind: "order",
      axis: "right",
      first: e.landmarks[0] ?? "",
      second: e.landmarks[1] ?? "",
    }),
  },
];

export const FIRST_KINDS = 7;

export function padKind(key: string): PadKind {
  return PAD_KINDS.find((each) => each.key === key) ?? (PAD_KINDS[0] as PadKind);
}

/** Towards which side the second landmark lies on the picture. */
export function sideOf(kind: PadKind, from: Place | undefined, to: Place | undefined) {
  if (!kind.sides || kind.axis === null) {
    return null;
  }
  const ahead = !from || !to || (kind.axis === 0 ? to.x >= from.x : to.y >= from.y);
  return kind.sides[ahead ? 0 : 1];
}
