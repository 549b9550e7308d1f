export { Pad } from "./Pad";
export { PAD_SHORTCUTS, padKey } from "./padKeys";
export { type Pad as PadHandle, usePad } from "./usePad";
