export { JoinRoom } from "./JoinRoom";
export { LessonsRoom } from "./LessonsRoom";
export { LessonWall } from "./LessonWall";
