// The first visit: which study it is walked with, until it is over. Remembered in this browser.
import { useState } from "react";

const NAME = "first visit";
const SEEN = "seen";
const WALKING = /^walking (\d+)$/;

export function useFirstVisit() {
  const [state, setState] = useState(() => localStorage.getItem(NAME));
  const put = (to: string) => {
    localStorage.setItem(NAME, to);
    setState(to);
  };
  const walking = WALKING.exec(state ?? "")?.[1];
  return {
    /** Whether what to do first has been sent away, or walked to its end. */
    seen: state === SEEN,
    /** The study that is walked with. */
    study: walking === undefined ? null : Number(walking),
    walkWith: (study: number) => put(`walking ${study}`),
    leave: () => put(SEEN),
  };
}
