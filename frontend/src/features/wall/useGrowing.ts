// A long list shown bit by bit: so many at first, more as its end comes into sight.
import { useCallback, useEffect, useRef, useState } from "react";

const AT_FIRST = 24;

export function useGrowing(all: number) {
  const [most, setMost] = useState(AT_FIRST);
  const watch = useRef<IntersectionObserver | null>(null);
  const more = most < all;
  // biome-ignore lint/correctness/useExhaustiveDependencies: looked at anew after each growth
  const end = useCallback(
    (mark: HTMLDivElement | null) => {
      watch.current?.disconnect();
      if (mark && more) {
        watch.current = new IntersectionObserver(
          (seen) => {
            if (seen.some((each) => each.isIntersecting)) {
              setMost((now) => now + AT_FIRST);
            }
          },
          { rootMargin: "600px" },
        );
        watch.current.observe(mark);
      }
    },
    [more, most],
  );
  useEffect(() => () => watch.current?.disconnect(), []);
  return { shown: most, end };
}
