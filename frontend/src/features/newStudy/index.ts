export { NewStudy } from "./NewStudy";
