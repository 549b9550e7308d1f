export { PictureRoom, TruthRoom } from "./picture";
export { SceneGallery } from "./scenes";
export { LiveStation, StationRoom } from "./station";
