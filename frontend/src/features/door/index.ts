export { DevicesRoom } from "./DevicesRoom";
export { DoorRoom } from "./DoorRoom";
