// The stick in hand: where its two ends are, which way it is held, how the thumb is set. No DOM.
import { useCallback, useRef, useState } from "react";
import { ApiError, api } from "../../../api/client";
import type { Bench, StickPose, StickReading } from "../../../api/types";
import { nearest } from "../../../geometry/hit";
import type { Point } from "../../../geometry/scale";
import type { Shortcut } from "../../../shared/useShortcuts";

export type Held = StickPose["held"];
export type End = "tip" | "end";

export const STICK_SHORTCUTS: readonly Shortcut[] = [
  { keys: "Shift+T", does: "Take up the stick, or put it away" },
  { keys: "Shift+U", does: "Set the thumb to what the stick covers now" },
  { keys: "Shift+Space", does: "Step the thumb's length off once more" },
  { keys: "Shift+R", does: "Read the stick into the pad" },
];

const READ_AS: Record<string, Held> = { drop: "drop", level: "height" };

/** Under this the thumb covers nothing. */
const SHORTEST_MM = 1;

/** A fingertip, in mm of the subject side at the drawing's size. */
const FINGER_MM = 7;

export type Ends = Record<End, { at: Point; landmark: string | null }>;

/** What the pad has to say and do for the stick. */
export type PadForStick = {
  held: Held;
  slots: readonly (string | null)[];
  put: (slot: number, landmark: string | null) => void;
  fill: (entry: StickReading["entry"], value: string | null) => void;
};

export type Stick = ReturnType<typeof useStick>;

export function useStick(bench: Bench, pad: PadForStick) {
  const [inHand, setInHand] = useState(false);
  const [free, setFree] = useState<Partial<Record<End, Point>>>({});
  // In units: the drawing's size on the sheet changes while its readings come in.
  const [thumbUnits, setThumb] = useState(0);
  const perUnit = bench.sheet.unit_mm || 1;
  const thumb = thumbUnits * perUnit;
  const [steps, setSteps] = useState(0);
  const [told, setTold] = useState<{ of: string; text: string } | null>(null);
  const { held } = pad;
  const places = bench.landmarks.flatMap((each) =>
    each.seen_left_mm === null || each.seen_top_mm === null
      ? []
      : [{ id: each.id, at: { x: each.seen_left_mm, y: each.seen_top_mm } }],
  );
  const placeOf = (id: string | null | undefined) => places.find((each) => each.id === id)?.at;
  const [from, to] = pad.slots;
  const unit = [placeOf(bench.unit?.start), placeOf(bench.unit?.end)];
  const fallback = { tip: unit[0] ?? { x: 60, y: 60 }, end: unit[1] ?? { x: 60, y: 140 } };
  const ends: Ends = {
    tip: end(placeOf(from), from, free.tip, fallback.tip),
    end: end(placeOf(to), to, free.end, fallback.end),
  };
  const pose = alongHeld(held, ends.tip.at, ends.end.at);
  // What was read belongs to this way of holding the stick, over these two, in this version: with
  // any of them changed it is neither shown nor, if it arrives late, put on the pad.
  const holding = [bench.version, held, from, to].join(" ");
  const current = useRef(holding);
  current.current = holding;
  const setSaid = (text: string) => setTold({ of: current.current, text });

  const carry = (which: End, to: Point, snap: boolean) => {
    const found = snap
      ? places[nearest(places.map((each) => each.at), to, FINGER_MM)]
      : undefined; // biome-ignore format: one thought
    setFree((old) => ({ ...old, [which]: to }));
    setSteps(0);
    setTold(null);
    pad.put(which === "tip" ? 0 : 1, found?.id ?? null);
  };

  /** Carries the whole stick so far from where its ends were when it was taken hold of. */
  const carryBoth = (held: Record<End, Point>, by: Point) => {
    for (const which of ["tip", "end"] as const) {
      carry(which, { x: held[which].x + by.x, y: held[which].y + by.y }, true);
    }
  };

  /** Taken up, the stick is laid over the unit, unless the pad names landmarks already. */
  const toggle = () => {
    if (!inHand && !from && !to && bench.unit?.end) {
      pad.put(0, bench.unit.start);
      pad.put(1, bench.unit.end);
    }
    setTold(null);
    setInHand(!inHand);
  };

  /** Set to the unit, along the unit's own direction, however the stick lies: one goes over to it
   * and comes back. Where the unit isn't to be seen, to what the stick covers. */
  const setToUnit = () => {
    const onUnit = [ends.tip.landmark, ends.end.landmark].every(
      (each) => each === null || isUnit(bench, each),
    );
    const laid = onUnit && held === alongOf(bench);
    const [a, b] = unit;
    const over = a && b ? alongHeld(alongOf(bench), a, b) : pose;
    if (over.length < SHORTEST_MM) {
      setSaid("There is no length to set the thumb to: lay both ends along the unit.");
      return;
    }
    setThumb(over.length / perUnit);
    setSteps(0);
    setSaid(
      laid
        ? "The thumb is set. Carry the stick on, step it off, and count."
        : `The thumb is set to one ${bench.unit?.name ?? "unit"}. Read it.`,
    );
  };

  const step = useCallback(() => setSteps((old) => old + 1), []);

  const read = async () => {
    if (!ends.tip.landmark || !ends.end.landmark) {
      setSaid("Lay both ends on landmarks: drag them, or type their letters.");
      return;
    }
    const asked = holding;
    try {
      const reading = await api.stick(bench.id, {
        held,
        start: [ends.tip.at.x, ends.tip.at.y],
        end: [ends.end.at.x, ends.end.at.y],
        from_landmark: ends.tip.landmark,
        to_landmark: ends.end.landmark,
        thumb,
      });
      if (current.current !== asked) {
        return;
      }
      setSteps(reading.steps ?? 0);
      const spoiled = reading.faults.length ? ` ${reading.faults.join("; ")}.` : "";
      // Where there was nothing to count it was read another way, and the pad follows.
      const as = READ_AS[String(reading.entry.kind)] ?? held;
      setTold({
        of: [bench.version, as, from, to].join(" "),
        text: `Reads ${reading.said}.${spoiled} Enter keeps it.`,
      });
      pad.fill(reading.entry, reading.value);
    } catch (error) {
      setSaid(error instanceof ApiError ? error.sentence : String(error));
    }
  };

  return {
    inHand,
    toggle,
    held,
    ends,
    pose,
    thumb,
    steps,
    said: told?.of === holding ? told.text : null,
    counts: held === "plumb" || held === "level" || held === "straight",
    needsThumb: held !== "tilt" || thumb === 0,
    carry,
    carryBoth,
    setToUnit,
    step,
    read,
  };
}

function isUnit(bench: Bench, landmark: string): boolean {
  return landmark === bench.unit?.start || landmark === bench.unit?.end;
}

/** How the stick is held over the unit. */
function alongOf(bench: Bench): Held {
  const along = bench.unit?.along;
  return along === "level" || along === "plumb" ? along : "straight";
}

/** Answers whether the stick took a key pressed with Shift. */
export function stickKey(stick: Stick, key: string): boolean {
  const does: Record<string, () => void> = {
    T: stick.toggle,
    ...(stick.inHand && { U: stick.setToUnit, " ": stick.step, R: stick.read }),
  };
  does[key]?.();
  return key in does;
}

function end(
  settled: Point | undefined,
  landmark: string | null | undefined,
  free: Point | undefined,
  fallback: Point,
): { at: Point; landmark: string | null } {
  return settled && landmark ? { at: settled, landmark } : { at: free ?? fallback, landmark: null };
}

export type Pose = { from: Point; to: Point; length: number; way: Point };

/** The stick as held: an upright or level one keeps to its direction from the tip. */
export function alongHeld(held: Held, tip: Point, end: Point): Pose {
  const to =
    held === "plumb" || held === "height"
      ? { x: tip.x, y: end.y }
      : held === "level" || held === "drop"
        ? { x: end.x, y: tip.y }
        : end;
  const length = Math.hypot(to.x - tip.x, to.y - tip.y);
  const way =
    length > 0 ? { x: (to.x - tip.x) / length, y: (to.y - tip.y) / length } : { x: 0, y: 1 };
  return { from: tip, to, length, way };
}
