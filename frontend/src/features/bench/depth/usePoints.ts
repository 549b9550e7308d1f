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
  const put = (at: number, landmark: string) => {
    const filled = all(values, count).map((each, i) => (i === at ? landmark : each));
    const full = onFull && !filled.includes("");
    setValues(full ? [] : filled);
    if (full) {
      onFull(filled);
    }
  };
  // What a tap does changes with every render; whoever passes taps on must not be told each time.
  const latest = useRef({ put, onFull, at: 0 });
  latest.current = { put, onFull, at: next < 0 ? count - 1 : next };
  const choose = useCallback(
    (landmark: string) => latest.current.put(latest.current.at, landmark),
    [],
  );
  const edge = useCallback((ends: [string, string]) => latest.current.onFull?.(ends), []);
  const edges = onFull !== undefined;
  useEffect(() => {
    if (active) {
      const chosen = values.filter((each) => each !== "");
      setPicking({ choose, chosen, ...(edges ? { edge } : {}) });
      return () => setPicking(null);
    }
  }, [active, choose, edge, edges, values, setPicking]);
  return { values, next, put, clear: () => setValues([]) };
}

function all(values: readonly string[], count: number): string[] {
  return Array.from({ length: count }, (_, i) => values[i] ?? "");
}
