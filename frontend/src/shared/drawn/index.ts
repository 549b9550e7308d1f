export { ExerciseSign, FaultSign, SchoolSign, Sign } from "./Drawn";
