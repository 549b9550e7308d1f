export { RecipeRoom } from "./RecipeRoom";
