export { PictureRoom } from "./PictureRoom";
export { PictureUpload } from "./PictureUpload";
