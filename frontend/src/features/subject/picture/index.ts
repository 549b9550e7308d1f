export { PictureRoom } from "./PictureRoom";
export { TruthRoom } from "./TruthRoom";
