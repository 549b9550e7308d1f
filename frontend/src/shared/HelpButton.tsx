// One tap to marks, words and keys, from every room of a study.
import { Button } from "antd";
import { useEffect, useState } from "react";
import { ShortcutHelp } from "./ShortcutHelp";
import { dialogOpen, isTyping } from "./useShortcuts";

/** Asks the room as its "?" key does; a room without keys of its own has its help here. */
export function HelpButton() {
  const [open, setOpen] = useState(false);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key === "?" && !isTyping(event.target) && !dialogOpen()) {
        // After all others have had the key.
        setTimeout(() => event.defaultPrevented || setOpen(true));
      }
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
  const ask = () =>
    window.dispatchEvent(new KeyboardEvent("keydown", { key: "?", cancelable: true }));
  return (
    <>
      <Button onClick={ask} aria-label="Marks, words and keys">
        ?
      </Button>
      <ShortcutHelp open={open} onClose={() => setOpen(false)} shortcuts={[]} />
    </>
  );
}
