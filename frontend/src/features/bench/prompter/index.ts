export { EaselPrompt } from "./EaselPrompt";
export { Enough } from "./Enough";
export { Marks } from "./Marks";
export { Progress } from "./Progress";
export { Prompter } from "./Prompter";
export { Readings } from "./Readings";
export { WORKING_OUT } from "./SightNext";
export { useNext } from "./useNext";
