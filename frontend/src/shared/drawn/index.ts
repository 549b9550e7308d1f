export { FaultSign, Sign } from "./Drawn";
