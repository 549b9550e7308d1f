export { StickBar } from "./StickBar";
export { StickOverlay } from "./StickOverlay";
export { STICK_SHORTCUTS, stickKey, useStick } from "./useStick";
