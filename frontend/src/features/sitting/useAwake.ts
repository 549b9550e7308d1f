// Keeps the screen awake while the clock is shown, where the browser can.
import { useEffect } from "react";

export function useAwake(): void {
  useEffect(() => {
    let lock: WakeLockSentinel | null = null;
    let gone = false;
    const ask = () => {
      if (document.visibilityState === "visible" && "wakeLock" in navigator) {
        navigator.wakeLock
          .request("screen")
          .then((made) => {
            if (gone) {
              made.release();
            } else {
              lock = made;
            }
          })
          .catch(() => undefined);
      }
    };
    ask();
    document.addEventListener("visibilitychange", ask);
    return () => {
      gone = true;
      document.removeEventListener("visibilitychange", ask);
      lock?.release();
    };
  }, []);
}
