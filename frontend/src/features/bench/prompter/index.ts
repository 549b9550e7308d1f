export { EaselPrompt } from "./EaselPrompt";
export { Marks } from "./Marks";
export { Progress } from "./Progress";
export { Prompter, WORKING_OUT } from "./Prompter";
export { Readings } from "./Readings";
