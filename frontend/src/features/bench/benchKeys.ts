// The bench by keyboard: what each key does that is not the pad's.
import type { PadKinds } from "../../api/types";
import type { Shortcut } from "../../shared/useShortcuts";
import { padKey, padShortcuts } from "./pad";
import { STICK_SHORTCUTS, stickKey } from "./stick";
import type { Room } from "./useBenchRoom";

export const benchShortcuts = (kinds: PadKinds): readonly Shortcut[] => [
  ...padShortcuts(kinds),
  { keys: "Shift+N", does: "Take up what is suggested" },
  { keys: "Shift+A", does: "Another suggestion" },
  { keys: "Shift+E", does: "To the easel, hands full: one prompt and one pad, large" },
  { keys: "Shift+S", does: "Another simple relation" },
  { keys: "Shift+D", does: "Draw by the simple relation" },
  ...STICK_SHORTCUTS,
  { keys: "Shift+V", does: "Reveal the truth about a simulated subject, or hide it" },
  { keys: "+ −", does: "Look closer, or from further; wheel or two fingers do it too" },
  { keys: "Shift+Arrows", does: "Move the picture while it is looked at closely" },
  { keys: "Shift+L", does: "Larger pictures: what is asked stands under them; or as before" },
  { keys: "Shift+K", does: "All names on the picture, or only those that have room" },
  { keys: "Ctrl+Z", does: "Undo" },
  { keys: "Ctrl+Shift+Z", does: "Redo" },
  { keys: "?", does: "These keys" },
];

/** Answers whether the bench took the key. */
export function benchKey(room: Room, event: KeyboardEvent, help: () => void): boolean {
  const { pad, next, relations } = room;
  if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === "z") {
    event.shiftKey ? room.again() : room.back();
    return true;
  }
  if (event.key === "?") {
    help();
    return true;
  }
  const takeUp = () => !next.stale && next.prompt && pad.takeUp(next.prompt);
  const drawBy = () => relations.shown && relations.adopt(relations.shown);
  const shifted = new Map<string, () => unknown>([
    ["N", takeUp],
    ["E", room.toEasel],
    ["A", next.another],
    ["K", room.nameAll],
    ["L", room.widen],
    ["M", () => pad.several.can && pad.several.toggle()],
    ["S", relations.another],
    ["D", drawBy],
  ]);
  if (room.bench.subject.revealing) {
    shifted.set("V", room.reveal);
  }
  const does = event.shiftKey ? shifted.get(event.key) : undefined;
  if (does) {
    does();
    return true;
  }
  if (event.shiftKey && stickKey(room.stick, event.key)) {
    return true;
  }
  return room.looking.key(event) || padKey(pad, event, room.keep);
}
