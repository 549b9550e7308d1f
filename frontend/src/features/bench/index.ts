export { BenchRoom } from "./BenchRoom";
