export { StickBar } from "./StickBar";
export { StickOverlay } from "./StickOverlay";
export { type Held, STICK_SHORTCUTS, stickKey, useStick } from "./useStick";
