export { PictureRoom } from "./PictureRoom";
