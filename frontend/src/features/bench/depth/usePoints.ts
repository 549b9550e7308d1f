// Points asked for one after the other: tapped on the picture, or chosen from a list.
import { useCallback, useEffect, useRef, useState } from "react";

/** Lets taps on the picture go to whoever asks for points; null gives them back to the pad. */
export type Picking = {
  choose: (landmark: string) => void;
  chosen: string[];
  /** A tap on a line between two landmarks, where an edge is asked for. */
  edge?: (ends: [string, string]) => void;
} | null;
export type SetPicking = (picking: Picking) => void;

export type Points = {
  values: string[];
  next: number;
  put: (at: number, landmark: string) => void;
  clear: () => void;
};

/** `count` points; while `active`, taps fill the first that is empty. `onFull` takes them all. */
export function usePoints(
  count: number,
  active: boolean,
  setPicking: SetPicking,
  onFull?: (values: string[]) => void,
): Points {
  const [values, setValues] = useState<string[]>([]);
  const next = all(values, count).indexOf("");
  // Two taps may come before anything is drawn anew: what is held is kept beside what is shown.
  const held = useRef<string[]>([]);
  const show = (filled: string[]) => {
    held.current = filled;
    setValues(filled);
  };
  const put = (at: number | null, landmark: string) => {
    const now = all(held.current, count);
    const empty = now.indexOf("");
    const place = at ?? (empty < 0 ? count - 1 : empty);
    const filled = now.map((each, i) => (i === place ? landmark : each));
    const full = onFull && !filled.includes("");
    show(full ? [] : filled);
    if (full) {
      onFull(filled);
    }
  };
  // What a tap does changes with every render; whoever passes taps on must not be told each time.
  const latest = useRef({ put, onFull });
  latest.current = { put, onFull };
  const choose = useCallback((landmark: string) => latest.current.put(null, landmark), []);
  const edge = useCallback((ends: [string, string]) => latest.current.onFull?.(ends), []);
  const edges = onFull !== undefined;
  useEffect(() => {
    if (active) {
      const chosen = values.filter((each) => each !== "");
      setPicking({ choose, chosen, ...(edges ? { edge } : {}) });
      return () => setPicking(null);
    }
  }, [active, choose, edge, edges, values, setPicking]);
  return { values, next, put, clear: () => show([]) };
}

function all(values: readonly string[], count: number): string[] {
  return Array.from({ length: count }, (_, i) => values[i] ?? "");
}
