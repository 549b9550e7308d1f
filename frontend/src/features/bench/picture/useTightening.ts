// The drawing tightening before one's eyes: after a change, marks and their slack go from where they
// were to where they are. What is entered, said and kept never waits for it.
import { useLayoutEffect, useRef, useState } from "react";
import type { Bench, BenchLandmark } from "../../../api/types";

const MILLISECONDS = 420;
/** Slack in mm from which a landmark that nothing held is seen to tighten. */
const LOOSE_MM = 22;
const STILL = "(prefers-reduced-motion: reduce)";

/** The bench as it is to be drawn just now; the very same one once all is still. */
export function useTightening(bench: Bench): Bench {
  const shown = useRef(bench);
  const [between, setBetween] = useState<Bench | null>(null);
  useLayoutEffect(() => {
    const from = shown.current;
    if (from.version === bench.version || !comparable(from, bench)) {
      shown.current = bench;
      setBetween(null);
      return;
    }
    if (window.matchMedia(STILL).matches) {
      shown.current = bench;
      return;
    }
    const before = new Map(from.landmarks.map((each) => [each.id, each]));
    const began = performance.now();
    let frame = 0;
    const step = (now: number) => {
      const share = Math.min((now - began) / MILLISECONDS, 1);
      const eased = 1 - (1 - share) ** 3;
      const landmarks = bench.landmarks.map((each) => mixed(before.get(each.id), each, eased));
      shown.current = share < 1 ? { ...bench, version: from.version, landmarks } : bench;
      setBetween(share < 1 ? shown.current : null);
      if (share < 1) {
        frame = requestAnimationFrame(step);
      }
    };
    // The first picture of the new state is the old one: nothing leaps.
    step(began);
    return () => cancelAnimationFrame(frame);
  }, [bench]);
  return between ?? bench;
}

/** Whether one can be seen to become the other: the same sheet at the same scale. */
function comparable(a: Bench, b: Bench): boolean {
  return (
    a.id === b.id &&
    a.sheet.unit_mm === b.sheet.unit_mm &&
    a.sheet.width_mm === b.sheet.width_mm &&
    a.sheet.height_mm === b.sheet.height_mm
  );
}

function mixed(was: BenchLandmark | undefined, is: BenchLandmark, share: number): BenchLandmark {
  if (!was) {
    return is;
  }
  const mix = (a: number, b: number) => a + (b - a) * share;
  const [longer, shorter, angle] = was.slack ?? [LOOSE_MM, LOOSE_MM, is.slack?.[2] ?? 0];
  return {
    ...is,
    held_left_mm: mix(was.held_left_mm, is.held_left_mm),
    held_top_mm: mix(was.held_top_mm, is.held_top_mm),
    slack: is.slack && [
      mix(longer, is.slack[0]),
      mix(shorter, is.slack[1]),
      mix(angle + turnsTo(angle, is.slack[2]), is.slack[2]),
    ],
  };
}

/** Half turns that bring one axis nearest to another: an ellipse is itself after half a turn. */
function turnsTo(from: number, to: number): number {
  return Math.round((to - from) / 180) * 180;
}
