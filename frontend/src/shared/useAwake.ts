// Keeps the screen awake while full hands need it; says why where it can't.
import { useEffect, useState } from "react";

const PLAIN =
  "This screen may go dark: a browser keeps it awake only over https or on this machine itself. Set the device's own screen time longer.";
const NOT_LET = "This screen may go dark: the device doesn't let it be kept awake.";

export function useAwake(): string | null {
  const [said, setSaid] = useState<string | null>(null);
  useEffect(() => {
    let lock: WakeLockSentinel | null = null;
    let over = false;
    // The lock goes whenever the page is out of sight, and is asked for again when it is back.
    const hold = async () => {
      if (document.visibilityState !== "visible") {
        return;
      }
      try {
        lock = await navigator.wakeLock.request("screen");
        setSaid(null);
        if (over) {
          await lock.release();
        }
      } catch {
        setSaid("wakeLock" in navigator ? NOT_LET : PLAIN);
      }
    };
    hold();
    document.addEventListener("visibilitychange", hold);
    return () => {
      over = true;
      document.removeEventListener("visibilitychange", hold);
      lock?.release().catch(() => undefined);
    };
  }, []);
  return said;
}
