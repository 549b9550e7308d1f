export { SittingRoom } from "./SittingRoom";
