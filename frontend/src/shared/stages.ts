// The rooms of a study in the order of work: what each is called and where it is.

export const STAGES = [
  { key: "subject", label: "Subject", path: "/subject" },
  { key: "frame", label: "Frame", path: "/sheet" },
  { key: "bench", label: "Bench", path: "" },
  { key: "draw", label: "Draw", path: "/draw" },
  { key: "check", label: "Check", path: "/check" },
  { key: "tone", label: "Tone", path: "/tone" },
] as const;

export type Stage = (typeof STAGES)[number]["key"];
