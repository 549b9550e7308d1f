// What no longer agrees is told once, when it comes up, to those who don't see the strained line.
import { useEffect, useRef, useState } from "react";
import type { Bench } from "../../api/types";

export function NewDoubts({ bench }: { bench: Bench }) {
  const known = useRef(new Set(bench.doubts.map((each) => each.sighting)));
  const [said, setSaid] = useState("");
  useEffect(() => {
    const fresh = bench.doubts.filter((each) => !known.current.has(each.sighting));
    known.current = new Set(bench.doubts.map((each) => each.sighting));
    if (fresh.length > 0) {
      setSaid(fresh.map((each) => `Sight again: ${each.headline}`).join(" "));
    }
  }, [bench.doubts]);
  return (
    <p className="visually-hidden" aria-live="polite" data-new-doubts>
      {said}
    </p>
  );
}
