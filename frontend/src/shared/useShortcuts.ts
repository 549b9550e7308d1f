// Keys of the screen at hand; quiet while something is typed into a field or a dialog is open.
import { useEffect, useLayoutEffect, useRef } from "react";
import { letterKeys } from "./letterKeys";

export type Shortcut = { keys: string; does: string };
type Handler = (event: KeyboardEvent) => boolean;

const TEXT_FIELDS = 'textarea, select, input:not([type="radio"], [type="checkbox"], [type="file"])';

/** Whether a key goes into a field. */
export function isTyping(target: EventTarget | null): boolean {
  return target instanceof HTMLElement && (target.isContentEditable || target.matches(TEXT_FIELDS));
}

/** Whether a dialog is open. */
export function dialogOpen(): boolean {
  return document.querySelector("dialog[open]") !== null;
}

/** `handler` gets every key that no field wants; it answers whether it took it. */
export function useShortcuts(handler: Handler): void {
  const latest = useRef(handler);
  // With what is shown, not after it: a key pressed at once means what stands there.
  useLayoutEffect(() => {
    latest.current = handler;
  });
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      const shown = dialogOpen();
      const plain = event.key.length === 1 && !event.ctrlKey && !event.metaKey;
      if (event.defaultPrevented || isTyping(event.target) || shown) {
        return;
      }
      if (plain && event.key !== "?" && !letterKeys()) {
        return;
      }
      if (latest.current(event)) {
        event.preventDefault();
      }
    };
    window.addEventListener("keydown", listen);
    return () => window.removeEventListener("keydown", listen);
  }, []);
}
