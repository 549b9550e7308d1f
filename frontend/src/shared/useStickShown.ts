// Shows other devices what the stick lies on here, while there are any.
import { useEffect } from "react";
import { api } from "../api/client";
import { useOthers } from "./useLive";

/** A finger that passes over landmarks is not shown at each. */
const SETTLED_MS = 200;

export function useStickShown(study: number, kind: string, landmarks: readonly string[]): void {
  const { listener, others } = useOthers();
  const seen = others.length > 0;
  const laid = landmarks.join(" ");
  // biome-ignore lint/correctness/useExhaustiveDependencies: by what it lies on, not which list
  useEffect(() => {
    if (!seen) {
      return;
    }
    const later = window.setTimeout(
      () => api.layStick(study, { listener, kind, landmarks: [...landmarks] }).catch(() => {}),
      SETTLED_MS,
    );
    return () => window.clearTimeout(later);
  }, [study, listener, seen, kind, laid]);
}
