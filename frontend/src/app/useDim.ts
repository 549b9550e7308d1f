// What the system wishes for: dark surroundings, and that nothing moves.
import { useSyncExternalStore } from "react";

function wish(query: string) {
  const asked = window.matchMedia(query);
  const listen = (changed: () => void) => {
    asked.addEventListener("change", changed);
    return () => asked.removeEventListener("change", changed);
  };
  return () => useSyncExternalStore(listen, () => asked.matches);
}

export const useDim = wish("(prefers-color-scheme: dark)");
export const useStill = wish("(prefers-reduced-motion: reduce)");
