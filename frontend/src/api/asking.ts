// When a question is asked again by itself.
import { ApiError } from "./client";

const BUSY = 503;
const ASKED_AGAIN = 20;

/** Whether a question is asked again by itself: only where it was told to ask again in a moment. */
export function whileBusy(count: number, error: Error): boolean {
  return error instanceof ApiError && error.status === BUSY && count < ASKED_AGAIN;
}
