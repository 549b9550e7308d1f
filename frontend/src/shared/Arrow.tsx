// An arrow towards a side, drawn, as not every typeface has one.

const TURN: Record<string, number> = {
  right: 0,
  down: 90,
  lower: 90,
  left: 180,
  up: 270,
  higher: 270,
};

export function Arrow({ side }: { side: string }) {
  return (
    <svg width="16" height="16" viewBox="0 0 16 16" aria-hidden="true">
      <path
        d="M2 8h11M9 4l4 4-4 4"
        transform={`rotate(${TURN[side] ?? 0} 8 8)`}
        fill="none"
        stroke="currentColor"
        strokeWidth="2"
        strokeLinecap="round"
        strokeLinejoin="round"
      />
    </svg>
  );
}
