export { StudyWall } from "./StudyWall";
