export { BenchPicture } from "./BenchPicture";
