// The subject within a drawing, as it is looked at: small and at once, then fine over it.
import { atFirst, lookedAt, type Shown, useLook } from "./useLook";

type Props = {
  shown: Shown;
  x: number;
  y: number;
  width: number;
  height: number;
};

export function SubjectImage({ shown, ...box }: Props) {
  const fine = lookedAt(shown, useLook());
  if (!fine) {
    return null;
  }
  return (
    <g style={{ pointerEvents: "none" }}>
      {[atFirst(fine), fine].map(
        (each) =>
          each && (
            <image
              key={each}
              href={each}
              preserveAspectRatio="none"
              data-fine={each === fine}
              {...box}
            />
          ),
      )}
    </g>
  );
}
