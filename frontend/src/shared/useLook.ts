// How the subject is looked at: as it is seen, in lines, or with eyes half shut. One look for all
// rooms of this device.
import { useSyncExternalStore } from "react";

export const LOOKS = ["seen", "lines", "squinted"] as const;
export type Look = (typeof LOOKS)[number];
/** Where a subject is served, and where drawn in lines. */
export type Shown = { image?: string | null; lines?: string | null };

const KEPT = "zirkel.look";
/** How far a photograph is blurred, in thousandths of its longer side, and the tones left of it. */
const HALF_SHUT = { squint: "9", tones: "5" };

const told = new Set<() => void>();
let look: Look = LOOKS.find((each) => each === localStorage.getItem(KEPT)) ?? "seen";

export function setLook(next: Look): void {
  look = next;
  localStorage.setItem(KEPT, next);
  for (const tell of told) {
    tell();
  }
}

function listen(tell: () => void): () => void {
  told.add(tell);
  return () => told.delete(tell);
}

export function useLook(): Look {
  return useSyncExternalStore(listen, () => look);
}

/** The looks there are of a subject: only a scene can be drawn in lines. */
export function looksOf(shown: Shown): Look[] {
  return LOOKS.filter((each) => each !== "lines" || shown.lines);
}

/** Where the subject is served as it is looked at; null where nothing is shown of it. */
export function lookedAt(shown: Shown, at: Look): string | null {
  if (!shown.image || at === "seen") {
    return shown.image ?? null;
  }
  if (at === "lines") {
    return shown.lines ?? shown.image;
  }
  return withQuery(shown.image, shown.lines ? { squint: "true" } : HALF_SHUT);
}

/** The same a third as large, to be there first. */
export function atFirst(address: string): string | null {
  return address.includes("/seen.webp?") ? withQuery(address, { wide: "300" }) : null;
}

function withQuery(address: string, more: Record<string, string>): string {
  const [path, query] = address.split("?");
  const asked = new URLSearchParams(query);
  for (const [name, value] of Object.entries(more)) {
    asked.set(name, value);
  }
  return `${path}?${asked}`;
}
