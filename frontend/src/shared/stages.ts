// The rooms of a study in the order of work: what each is called and where it is.

export const STAGES = [
  { key: "subject", label: "Subject", path: "/subject" },
  { key: "frame", label: "Frame", path: "/sheet" },
  { key: "bench", label: "Bench", path: "" },
  { key: "draw", label: "Draw", path: "/draw" },
  { key: "check", label: "Check", path: "/check" },
  { key: "tone", label: "Tone", path: "/tone" },
] as const;

export type Room = (typeof STAGES)[number]["key"];
/** The sitting has a room beside the order of work, reached from its clock in the head. */
export type Stage = Room | "sitting";
