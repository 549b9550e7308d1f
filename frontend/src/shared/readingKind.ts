// How a reading of the API is held: the name its sign goes by, on the pad and on the picture.

/** How the stick is held for a sighting or suggestion. */
export function heldAs(kind: string, along?: string | null, axis?: string | null): string {
  if (kind === "span") {
    return along === "plumb" ? "upright" : along === "level" ? "across" : "straight";
  }
  if (kind === "order") {
    return axis === "right" ? "righter" : "lower";
  }
  return kind === "drop" ? "plumb" : kind;
}
