export { justTaken } from "./justTaken";
export { heldAs } from "./kinds";
export { Pad } from "./Pad";
export { padKey, padShortcuts } from "./padKeys";
export { type Pad as PadHandle, usePad } from "./usePad";
