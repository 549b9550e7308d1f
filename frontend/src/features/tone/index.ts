export { ToneRoom } from "./ToneRoom";
