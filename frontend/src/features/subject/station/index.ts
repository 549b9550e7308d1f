export { LiveStation } from "./LiveStation";
export { StationRoom } from "./StationRoom";
