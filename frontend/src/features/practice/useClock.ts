// Seconds that run down.
import { useEffect, useState } from "react";

/** Seconds left, counted down from when it is first asked; null without a clock. */
export function useClock(seconds: number | null): number | null {
  const [began, setBegan] = useState<number | null>(null);
  const [now, setNow] = useState(0);
  useEffect(() => {
    if (seconds === null) {
      setBegan(null);
      return;
    }
    const start = performance.now();
    setBegan(start);
    setNow(start);
    const tick = window.setInterval(() => setNow(performance.now()), 250);
    return () => window.clearInterval(tick);
  }, [seconds]);
  if (seconds === null) {
    return null;
  }
  return began === null ? seconds : Math.max(Math.ceil(seconds - (now - began) / 1000), 0);
}
