// The names of points, where they found room.
import type { Placed } from "../geometry/words";

type Props = { words: readonly Placed[]; className?: (word: Placed) => string | undefined };

export function PlacedWords({ words, className }: Props) {
  return words.map((each) => (
    <text
      key={each.id}
      x={each.x}
      y={each.y}
      textAnchor={each.anchor}
      className={className?.(each)}
    >
      {each.text}
    </text>
  ));
}
