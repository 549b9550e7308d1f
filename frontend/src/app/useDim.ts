// Whether the system wishes for dark surroundings.
import { useSyncExternalStore } from "react";

const wish = window.matchMedia("(prefers-color-scheme: dark)");

function listen(changed: () => void): () => void {
  wish.addEventListener("change", changed);
  return () => wish.removeEventListener("change", changed);
}

export function useDim(): boolean {
  return useSyncExternalStore(listen, () => wish.matches);
}
