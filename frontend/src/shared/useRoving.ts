// A group of keys is one stop for Tab: arrows go on within it.
import { useEffect, useRef } from "react";

const STEPS: Record<string, number> = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 };

export function useRoving<T extends HTMLElement>() {
  const group = useRef<T>(null);
  const keys = () => [...(group.current?.querySelectorAll<HTMLElement>("button") ?? [])];
  const stopAt = (here: HTMLElement | undefined) => {
    for (const each of keys()) {
      each.tabIndex = each === here ? 0 : -1;
    }
  };
  // After each time it is drawn: its keys come and go.
  useEffect(() => {
    const all = keys();
    const pressed = all.find((each) => each.getAttribute("aria-pressed") === "true");
    stopAt(all.find((each) => each === document.activeElement) ?? pressed ?? all[0]);
  });
  const onKeyDown = (event: React.KeyboardEvent) => {
    const step = STEPS[event.key];
    const all = keys();
    const at = all.indexOf(document.activeElement as HTMLElement);
    // Pressed by mouse or finger it only happens to have the focus: arrows mean the reading then.
    if (!step || at < 0 || !all[at]?.matches(":focus-visible")) {
      return;
    }
    event.preventDefault();
    event.stopPropagation();
    const next = all[(at + step + all.length) % all.length];
    stopAt(next);
    next?.focus();
  };
  return { ref: group, onKeyDown };
}
