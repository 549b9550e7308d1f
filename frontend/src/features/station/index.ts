export { StationRoom } from "./StationRoom";
