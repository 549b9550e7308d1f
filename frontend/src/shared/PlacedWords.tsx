// The names of points, where they found room; those led out have a line back to their point.
import { Fragment } from "react";
import { leadEnd, type Placed } from "../geometry/words";

type Props = { words: readonly Placed[]; className?: (word: Placed) => string | undefined };

export function PlacedWords({ words, className }: Props) {
  return words.map((each) => {
    const end = leadEnd(each);
    return (
      <Fragment key={each.id}>
        {each.from && (
          <path
            d={`M${each.from.x} ${each.from.y}L${end.x} ${end.y}`}
            fill="none"
            stroke="var(--thin)"
            strokeWidth="0.9"
            strokeDasharray="none"
            pointerEvents="none"
          />
        )}
        <text x={each.x} y={each.y} textAnchor={each.anchor} className={className?.(each)}>
          {each.text}
        </text>
      </Fragment>
    );
  });
}
