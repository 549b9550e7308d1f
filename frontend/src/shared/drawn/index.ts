export { ExerciseSign, FaultSign, Sign } from "./Drawn";
