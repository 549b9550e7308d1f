export { EaselPrompt } from "./EaselPrompt";
export { Marks } from "./Marks";
export { Progress } from "./Progress";
export { Prompter } from "./Prompter";
export { Readings } from "./Readings";
