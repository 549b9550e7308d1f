// Where the clock of a sitting stands. Reckoned from when it began, so that a tab that slept, a reload
// and another device all show the same.
import { useEffect, useState } from "react";
import type { RunningClock } from "../api/types";

export type ClockStands = {
  /** Number of the block that runs; null once all are over. */
  block: number | null;
  kind: string;
  secondsLeft: number;
  /** The stage of a pose that is on, by the plan, and when the next one comes. */
  stage: { name: string; secondsLeft: number } | null;
  /** Seconds since the last rest, or since it began. */
  sinceRest: number;
};

/** By how much this machine's clock is ahead of the server's, for each answer when it first came. */
const ahead = new Map<string, number>();

function offset(clock: RunningClock): number {
  const known = ahead.get(clock.now);
  if (known !== undefined) {
    return known;
  }
  const made = Date.now() - Date.parse(clock.now);
  ahead.set(clock.now, made);
  return made;
}

export function standsAt(clock: RunningClock, now: number): ClockStands {
  let gone = (now - offset(clock) - Date.parse(clock.at)) / 1000;
  let sinceRest = 0;
  for (const [number, block] of clock.blocks.entries()) {
    const long = 60 * block.minutes;
    if (gone < long) {
      return {
        block: number,
        kind: block.kind,
        secondsLeft: Math.ceil(long - gone),
        stage: stageAt(block, gone),
        sinceRest: block.kind === "rest" ? 0 : sinceRest + gone,
      };
    }
    gone -= long;
    sinceRest = block.kind === "rest" ? 0 : sinceRest + long;
  }
  return { block: null, kind: "over", secondsLeft: 0, stage: null, sinceRest: 0 };
}

function stageAt(block: RunningClock["blocks"][number], gone: number) {
  let ends = 0;
  for (const each of block.stages) {
    ends += 60 * each.minutes;
    if (gone < ends) {
      return { name: each.name, secondsLeft: Math.ceil(ends - gone) };
    }
  }
  return null;
}

/** The clock, told anew every half second; null without a sitting. */
export function useSittingClock(clock: RunningClock | null): ClockStands | null {
  const [now, setNow] = useState(() => Date.now());
  const runs = clock !== null;
  useEffect(() => {
    if (!runs) {
      return;
    }
    setNow(Date.now());
    const tick = window.setInterval(() => setNow(Date.now()), 500);
    return () => window.clearInterval(tick);
  }, [runs]);
  return clock ? standsAt(clock, Math.max(now, Date.parse(clock.at))) : null;
}

export const KIND_WORDS: Record<string, string> = {
  pose: "Pose",
  work: "Work",
  rest: "Rest",
  over: "Over",
};

export function asMinutes(seconds: number): string {
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, "0")}`;
}
