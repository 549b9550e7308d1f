export { CheckRoom } from "./CheckRoom";
