// Who draws in this browser; nobody by name until somebody is chosen. Remembered in this browser.
import { useSyncExternalStore } from "react";

const NAME = "artist";
const heard = new Set<() => void>();

function listen(hear: () => void): () => void {
  heard.add(hear);
  window.addEventListener("storage", hear);
  return () => {
    heard.delete(hear);
    window.removeEventListener("storage", hear);
  };
}

export function chooseArtist(artist: string): void {
  localStorage.setItem(NAME, artist);
  for (const hear of heard) {
    hear();
  }
}

export function useArtist(): string | null {
  return useSyncExternalStore(listen, () => localStorage.getItem(NAME));
}
