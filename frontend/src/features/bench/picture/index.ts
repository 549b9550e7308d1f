export { BenchPicture } from "./BenchPicture";
export { useView } from "./useView";
