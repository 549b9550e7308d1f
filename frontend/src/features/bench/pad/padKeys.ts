// The pad by keyboard: letters name landmarks, then kinds; digits and signs make the value.
import type { PadKinds } from "../../../api/types";
import type { Shortcut } from "../../../shared/useShortcuts";
import type { Pad } from "./usePad";
import { withEighths } from "./ValueKeys";

export const padShortcuts = (kinds: PadKinds): readonly Shortcut[] => [
  { keys: "a – z", does: "Landmark by its letter, or two where there are many" },
  ...kinds.kinds.map((each) => ({
    keys: each.letter,
    does: `${each.label}, once the landmarks are set`,
  })),
  { keys: ".", does: "The two landmarks of the last reading again" },
  { keys: ",", does: "The unit's two ends" },
  { keys: "0 – 9 / .", does: "The value: 1 3/8, 1.37; an hour as 2, 130 or 1:30; degrees as 45" },
  { keys: "h q x", does: "A half, a quarter, an eighth more" },
  { keys: "Arrows", does: "Towards which side" },
  {
    keys: "Shift+M",
    does: "Several in one go from one landmark: a plumb, a fan, a unit stepped on",
  },
  { keys: "Enter", does: "Keep the reading" },
  { keys: "Backspace", does: "Take back the last sign or landmark" },
  { keys: "Escape", does: "Clear the pad" },
];

const ARROWS: Record<string, string[]> = {
  ArrowRight: ["right"],
  ArrowLeft: ["left"],
  ArrowDown: ["down", "lower"],
  ArrowUp: ["up", "higher"],
};

const ARROW_KIND: Record<string, string> = {
  ArrowRight: "across",
  ArrowLeft: "across",
  ArrowDown: "upright",
  ArrowUp: "upright",
};

/** Eighths that a letter adds to the value. */
const PARTS: Record<string, number> = { h: 4, q: 2, x: 1 };

/** Answers whether the pad took the key. */
export function padKey(pad: Pad, event: KeyboardEvent, keep: () => void): boolean {
  if (event.ctrlKey || event.metaKey || event.altKey) {
    return false;
  }
  const { key } = event;
  const { state } = pad;
  const onButton =
    event.target instanceof HTMLElement && event.target.closest("button, a, [tabindex]");
  if ((key === "Enter" || key === " ") && onButton) {
    return false;
  }
  if (/^[a-z]$/i.test(key)) {
    return letter(pad, key.toLowerCase());
  }
  if ((key === "." || key === ",") && !pad.filled && !state.value) {
    pad.putPair(key === "." ? pad.lastPair : pad.unitPair);
    return true;
  }
  if (/^[\d./:,°]$/.test(key)) {
    if (state.letters) {
      pad.settle();
    }
    if (pad.several.instead) {
      pad.several.takeLast();
    }
    pad.set((old) => ({ value: old.fresh ? key : old.value + key, fresh: false }));
    return true;
  }
  if (key === " ") {
    if (state.letters) {
      return pad.settle();
    }
    pad.set((old) => ({ value: old.value ? `${old.value.trimEnd()} ` : "" }));
    return state.value !== "";
  }
  if (key in ARROWS) {
    return arrow(pad, key);
  }
  if (key === "Enter") {
    if (pad.ready) {
      keep();
    }
    return pad.ready;
  }
  if (key === "Backspace") {
    return back(pad);
  }
  if (key === "Escape") {
    pad.clear();
    return true;
  }
  return false;
}

function letter(pad: Pad, key: string): boolean {
  const { state } = pad;
  if (!pad.filled) {
    pad.type(state.letters + key);
    return true;
  }
  const part = PARTS[key];
  if (part && pad.kind.sort !== "tilt" && pad.kind.sort !== "none") {
    pad.set((old) => ({ value: withEighths(old.fresh ? "" : old.value, part), fresh: false }));
    return true;
  }
  const kind = pad.kinds.kinds.find((each) => each.letter === key);
  if (kind) {
    pad.chooseKind(kind.key);
  }
  return kind !== undefined;
}

function arrow(pad: Pad, key: string): boolean {
  const side = pad.kind.sides?.find((each) => ARROWS[key]?.includes(each));
  if (side) {
    if (pad.several.instead) {
      pad.several.toSide(side);
    } else {
      pad.set({ side });
    }
    return true;
  }
  const other = ARROW_KIND[key];
  if (other && pad.kind.sort === "count") {
    pad.chooseKind(other);
    return true;
  }
  return false;
}

function back(pad: Pad): boolean {
  const { state } = pad;
  if (state.letters) {
    pad.set({ letters: state.letters.slice(0, -1) });
  } else if (state.value) {
    pad.set({ value: state.value.slice(0, -1), fresh: false });
  } else {
    const last = state.slots.findLastIndex((each) => each !== null);
    if (last < 0) {
      return false;
    }
    pad.set({ slots: state.slots.map((each, i) => (i === last ? null : each)), active: last });
  }
  return true;
}
