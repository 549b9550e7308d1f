export { Setup } from "./Setup";
