export { Drill } from "./Drill";
export { PracticeRoom } from "./PracticeRoom";
export { SeriesRoom } from "./SeriesRoom";
