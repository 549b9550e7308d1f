// The pad's state: landmarks in their slots, the kind, the value as typed or tapped. No DOM.
import { useCallback, useMemo, useRef } from "react";
import type { Bench, PadKinds, Prompt, Sighting } from "../../../api/types";
import { asksForValue, asMeant, heldAs, type Place, padKind, sideOf, toSighting } from "./kinds";
import { EMPTY, type Entry, fromEntry, type PadState, touched } from "./padState";
import { afterChoice, canBeSeveral } from "./several";
import { useKept } from "./useKept";
import { useSeveral } from "./useSeveral";

export type Pad = ReturnType<typeof usePad>;

export function usePad(bench: Bench, kinds: PadKinds) {
  const here = new Set(bench.landmarks.map((each) => each.id));
  const [state, setState] = useKept<PadState>(`pad ${bench.id}`, EMPTY, (kept) =>
    kept.slots.every((each) => each === null || here.has(each)),
  );
  const kind = padKind(kinds, state.kind);
  const places = useMemo(
    () =>
      new Map<string, Place>(
        bench.landmarks.map((each) => [each.id, { x: each.held_left_mm, y: each.held_top_mm }]),
      ),
    [bench.landmarks],
  );
  const side = state.side ?? sideOf(kind, at(places, state.slots[0]), at(places, state.slots[1]));
  const take = state.take ?? bench.current_take;
  const filled = kind.slots.every((_, i) => state.slots[i]);
  const ready = filled && (state.value !== "" || !asksForValue(kind));

  const chooseKind = useCallback(
    (key: string) => {
      setState((old) => {
        const pairs = padKind(kinds, key).slots.length === 4;
        const had = pairs && old.borrowed ? [null, null, ...old.slots] : old.slots;
        const slots = padKind(kinds, key).slots.map((_, i) => had[i] ?? null);
        const open = slots.indexOf(null);
        const sort = padKind(kinds, key).sort;
        const same = sort === padKind(kinds, old.kind).sort;
        const value = same ? old.value : "";
        const rows = canBeSeveral(padKind(kinds, key)) ? old.rows && (same ? old.rows : []) : null;
        return {
          ...old,
          kind: key,
          slots,
          active: open < 0 ? slots.length - 1 : open,
          side: null,
          value,
          rows,
          borrowed: false,
        };
      });
    },
    [kinds, setState],
  );

  const choose = useCallback(
    (landmark: string) => {
      setState((old) => {
        const slots = [...old.slots];
        const already = slots.indexOf(landmark);
        if (already >= 0 && already !== old.active && padKind(kinds, old.kind).slots.length <= 3) {
          slots[already] = null;
        }
        slots[old.active] = landmark;
        const open = slots.indexOf(null);
        const active = open < 0 ? old.active : open;
        const next = { ...old, slots, letters: "", nobody: null, active, side: null };
        return afterChoice(next, padKind(kinds, old.kind));
      });
    },
    [kinds, setState],
  );

  const type = useCallback(
    (letters: string) => {
      const possible = bench.landmarks.filter((each) => each.letters.startsWith(letters));
      const [only] = possible;
      if (only && possible.length === 1 && only.letters === letters) {
        choose(only.id);
      } else if (possible.length > 0 || letters === "") {
        setState((old) => ({ ...old, letters, nobody: null }));
      } else {
        setState((old) => ({ ...old, letters: "", nobody: letters }));
      }
    },
    [bench.landmarks, choose, setState],
  );

  const settle = useCallback(() => {
    const possible = bench.landmarks.filter((each) => each.letters.startsWith(state.letters));
    const exact = possible.find((each) => each.letters === state.letters);
    const meant = exact ?? (possible.length === 1 ? possible[0] : undefined);
    if (meant) {
      choose(meant.id);
    }
    return meant !== undefined;
  }, [bench.landmarks, choose, state.letters]);

  const set = useCallback(
    (part: Partial<PadState> | ((old: PadState) => Partial<PadState>)) =>
      setState((old) => ({ ...old, ...(typeof part === "function" ? part(old) : part) })),
    [setState],
  );
  const clear = useCallback(
    () =>
      // A kind that joins more than two landmarks is not kept: by keyboard, another could not be
      // chosen before all its slots are filled.
      setState((old) => ({
        ...EMPTY,
        kind: padKind(kinds, old.kind).slots.length === 2 ? old.kind : EMPTY.kind,
        take: old.take,
      })),
    [kinds, setState],
  );

  /** Two landmarks at once into the next two empty slots: those of the last reading, or the unit's. */
  const putPair = useCallback(
    (pair: readonly (string | null | undefined)[]) => {
      const [from, to] = pair;
      setState((old) => {
        const open = old.slots.indexOf(null);
        if (!from || !to || open < 0 || old.slots[open + 1] !== null) {
          return old;
        }
        const slots = old.slots.map((each, i) => (i === open ? from : i === open + 1 ? to : each));
        const active = Math.max(slots.indexOf(null), open + 1);
        return { ...old, slots, active, letters: "", nobody: null, borrowed: open === 0 };
      });
    },
    [setState],
  );

  const takeUp = useCallback(
    (prompt: Prompt) => {
      setState((old) => ({
        ...EMPTY,
        take: old.take,
        kind: heldAs(kinds, prompt.kind, prompt.along),
        slots: [prompt.start, prompt.end],
        active: 1,
        side: prompt.towards,
        again: prompt.control ?? false,
      }));
    },
    [kinds, setState],
  );

  const correct = useCallback(
    (id: string, again: boolean) => {
      const reading = bench.readings.find((each) => each.id === id);
      if (reading) {
        const { take: taken } = reading.entry;
        setState((old) => ({
          ...fromEntry(kinds, reading.entry, old),
          // Sighted again, it belongs to how one stands now; corrected, to where it was taken.
          take: again ? old.take : typeof taken === "string" ? taken : null,
          editing: again ? null : id,
          again,
          fresh: true,
        }));
      }
    },
    [bench.readings, kinds, setState],
  );

  /** Lay an entry out on the pad, as a new reading to be looked at and kept. */
  const fill = useCallback(
    (entry: Entry, value: string | null) => {
      setState((old) => {
        const laid = fromEntry(kinds, entry, old);
        const next = { ...laid, value: value ?? laid.value, fresh: true, again: old.again };
        return old.rows && laid.kind === old.kind ? { ...next, rows: old.rows } : next;
      });
    },
    [kinds, setState],
  );

  /** Put a landmark into one slot, or leave it empty, whatever slot is active. */
  const put = useCallback(
    (slot: number, landmark: string | null) => {
      setState((old) => {
        if (old.slots[slot] === landmark) {
          return old;
        }
        const slots = old.slots.map((each, i) =>
          i === slot ? landmark : each === landmark ? null : each,
        );
        const open = slots.indexOf(null);
        return { ...old, slots, letters: "", active: open < 0 ? old.active : open, side: null };
      });
    },
    [setState],
  );

  const edited = bench.readings.find((each) => each.id === state.editing);
  // A reading of no take stays so when it is corrected.
  const untaken = edited !== undefined && !edited.entry.take && state.take === null;
  const sighting = useCallback(
    (value = state.value): Sighting => {
      const made = toSighting(kind, {
        landmarks: state.slots.map((each) => each ?? ""),
        value: asMeant(kind.sort, value),
        side,
        along: state.along,
        take: untaken ? null : take,
      });
      return state.editing ? { ...made, id: state.editing } : made;
    },
    [kind, side, state, take, untaken],
  );

  const several = useSeveral({ state, setState, kinds, kind, side, take });
  const looksFirst =
    bench.eye_first &&
    !state.rows &&
    asksForValue(kind) &&
    state.guess === null &&
    state.editing === null;
  /** What stands on the pad was the eye's: the reading itself comes next. */
  const guessed = useCallback(
    () => setState((old) => ({ ...old, guess: old.value, value: "", fresh: false })),
    [setState],
  );

  const now = useRef(state);
  now.current = state;
  /** Clears the pad for the next reading, and answers how to lay this one out again. */
  const setAside = useCallback(() => {
    const aside = now.current;
    clear();
    return {
      untouched: () => !touched(now.current),
      back: () => setState(aside),
    };
  }, [clear, setState]);

  const newTake = useCallback(() => {
    const numbers = bench.readings.map((each) =>
      Number(/^t(\d+)$/.exec(each.take ?? "")?.[1] ?? 0),
    );
    set({ take: `t${Math.max(0, ...numbers) + 1}` });
  }, [bench.readings, set]);

  return {
    kinds,
    state,
    kind,
    side,
    take,
    filled,
    ready: ready || several.ready,
    several,
    /** All landmarks that stand on it. */
    chosen: [...state.slots, ...(state.rows ?? []).map((each) => each.to)].flatMap((e) => e ?? []),
    chooseKind,
    choose,
    type,
    settle,
    set,
    clear,
    takeUp,
    correct,
    fill,
    put,
    putPair,
    setAside,
    lastPair: (bench.readings.at(-1)?.landmarks ?? []).slice(0, 2),
    unitPair: [bench.unit?.start, bench.unit?.end],
    touched: touched(state),
    sighting,
    looksFirst,
    guessed,
    newTake,
  };
}

function at(places: Map<string, Place>, id: string | null | undefined): Place | undefined {
  return id ? places.get(id) : undefined;
}
