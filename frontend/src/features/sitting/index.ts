export { ShortPosesRoom } from "./ShortPosesRoom";
export { SittingRoom } from "./SittingRoom";
