export { Depth } from "./Depth";
