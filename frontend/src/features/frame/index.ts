export { SheetRoom } from "./SheetRoom";
