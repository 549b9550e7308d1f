// Tilts as they are typed and shown, after the rules of the core: a bare number up to 12 is an hour,
// beyond that degrees; degrees up to 12 need their sign.

/** Five minutes of an hour, in degrees. */
const FIVE_MINUTES = 2.5;
const LAST_HOUR = 12;

/** Hours and minutes of a tilt, to five minutes. */
export function asHour(degrees: number): string {
  const minutes = Math.round(((degrees % 180) * 2) / 5) * 5;
  const hours = Math.floor(minutes / 60);
  return `${hours === 0 ? 12 : hours}:${String(minutes % 60).padStart(2, "0")}`;
}

/** A tilt as one types it so that it means just that. */
export function asTyped(degrees: number): string {
  const steps = degrees / FIVE_MINUTES;
  return Math.abs(steps - Math.round(steps)) < 1e-6 ? asHour(degrees) : `${degrees}°`;
}

/** Degrees for drawing the hand from what is typed so far, or null. */
export function handFrom(text: string): number | null {
  const said = text.trim();
  const clock = /^(\d{1,2}):(\d{2})$/.exec(said);
  if (clock) {
    return ((Number(clock[1]) % 12) * 30 + Number(clock[2]) / 2) % 180;
  }
  const plain = Number(said.replace(/°$/, ""));
  if (!said || !Number.isFinite(plain)) {
    return null;
  }
  const degrees = said.endsWith("°") || plain > LAST_HOUR ? plain : plain * 30;
  return ((degrees % 180) + 180) % 180;
}
