export { SceneGallery } from "./SceneGallery";
