// What is half entered, kept for this study while its page is away: over a reload or another room.
import { useEffect, useState } from "react";

export function useKept<T extends object>(key: string, empty: T, sound: (kept: T) => boolean) {
  const [state, setState] = useState<T>(() => {
    try {
      const kept = { ...empty, ...JSON.parse(sessionStorage.getItem(key) ?? "{}") } as T;
      return sound(kept) ? kept : empty;
    } catch {
      return empty;
    }
  });
  useEffect(() => {
    try {
      sessionStorage.setItem(key, JSON.stringify(state));
    } catch {
      // A browser that keeps nothing still lets one work.
    }
  }, [key, state]);
  return [state, setState] as const;
}
