// A small drawing of what to do with the stick, for each kind.
const line = {
  stroke: "currentColor",
  strokeWidth: 2,
  fill: "none",
  strokeLinecap: "round",
} as const;
const thin = { ...line, strokeWidth: 1.3, strokeDasharray: "2 3" } as const;

const SIGNS: Record<string, React.ReactNode> = {
  upright: (
    <>
      <path d="M14 4v20M9 4h10M9 24h10" {...line} />
      <path d="M10.5 14h7" {...line} strokeWidth={1.4} />
    </>
  ),
  across: (
    <>
      <path d="M3 14h22M3 9v10M25 9v10" {...line} />
      <path d="M14 10.5v7" {...line} strokeWidth={1.4} />
    </>
  ),
  straight: <path d="M6 22L22 6M3 18l7 7M18 3l7 7" {...line} />,
  tilt: (
    <>
      <circle cx="14" cy="14" r="10" {...line} strokeWidth={1.3} />
      <path d="M9 23L19 5" {...line} />
      <path d="M14 4v3" {...line} strokeWidth={1.3} />
    </>
  ),
  plumb: (
    <>
      <path d="M14 3v16" {...line} />
      <path d="M10 18h8l-4 7z" fill="currentColor" />
    </>
  ),
  level: (
    <>
      <path d="M3 12h22" {...line} />
      <circle cx="6" cy="12" r="2.4" fill="currentColor" />
      <path d="M22 12v8" {...thin} />
      <circle cx="22" cy="21" r="2.4" fill="currentColor" />
    </>
  ),
  part: (
    <>
      <path d="M14 3v22M9 3h10M9 25h10" {...line} />
      <path d="M7 14h14" {...line} />
    </>
  ),
  match: <path d="M4 8h14M4 5v6M18 5v6M10 20h14M10 17v6M24 17v6" {...line} />,
  run: (
    <>
      <path d="M4 23L14 14" {...line} />
      <path d="M14 14L23 6" {...thin} />
      <circle cx="23.5" cy="5.5" r="2.6" fill="currentColor" />
    </>
  ),
  parallel: <path d="M6 23L14 5M15 23L23 5" {...line} />,
  lower: <path d="M8 5v14M4 15l4 5 4-5M16 24h9M16 8h9" {...line} />,
  righter: <path d="M5 20h14M15 16l5 4-5 4M6 4v9M22 4v9" {...line} />,
};

export function KindSign({ kind }: { kind: string }) {
  return (
    <svg width="28" height="28" viewBox="0 0 28 28" aria-hidden="true">
      {SIGNS[kind]}
    </svg>
  );
}
