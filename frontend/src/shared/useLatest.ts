// What is being dragged, as it is sent: one question in flight, and the latest one after it.
import { useEffect, useState } from "react";

/** The value to ask for: held while a question is in flight, then the newest. */
export function useLatest<T>(value: T, busy: boolean): T {
  const [sent, setSent] = useState(value);
  useEffect(() => {
    if (!busy) {
      setSent(value);
    }
  }, [value, busy]);
  return sent;
}
