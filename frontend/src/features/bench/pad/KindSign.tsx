// A small drawing of what to do with the stick, of the strokes that the server sends.
import type { PadKind } from "../../../api/types";

const LOOKS: Record<string, React.SVGProps<SVGPathElement>> = {
  line: { strokeWidth: 2 },
  thin: { strokeWidth: 1.4 },
  dashed: { strokeWidth: 1.3, strokeDasharray: "2 3" },
  filled: { fill: "currentColor", stroke: "none" },
};

export function KindSign({ kind }: { kind: Pick<PadKind, "sign"> }) {
  return (
    <svg
      width="28"
      height="28"
      viewBox="0 0 28 28"
      fill="none"
      stroke="currentColor"
      strokeLinecap="round"
      aria-hidden="true"
    >
      {kind.sign.map((each) => (
        <path key={each.path} d={each.path} {...LOOKS[each.look]} />
      ))}
    </svg>
  );
}
