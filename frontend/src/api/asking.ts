// When a question is asked again by itself.
import { ApiError } from "./client";

const BUSY = 503;
const ASKED_AGAIN = 20;
const AWAY_MS = 3000;

/** Whether a question is asked again by itself: only where it was told to ask again in a moment. */
export function whileBusy(count: number, error: Error): boolean {
  return error instanceof ApiError && error.status === BUSY && count < ASKED_AGAIN;
}

/** What could never be fetched, since nothing answered, is asked for again until it comes. */
export function whileAway({ state }: { state: { data: unknown; error: unknown } }): number | false {
  const { data, error } = state;
  return data === undefined && error instanceof ApiError && error.status === 0 ? AWAY_MS : false;
}
