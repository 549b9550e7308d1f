// The subject's picture, with its landmarks, to point at.
import type { Bench, PictureSubject } from "../../../api/types";
import type { Point } from "../../../geometry/scale";
import { proportion, toShown } from "../../../geometry/turned";
import { PointBoard } from "../../../shared/PointBoard";

type Props = {
  bench: Bench;
  picture: PictureSubject;
  chosen: string | null;
  points: readonly Point[];
  /** A place was set, in shares of what is looked at. */
  onSet: (at: Point) => void;
  /** Missing where a tap on a landmark is a point like any other. */
  onChoose?: (landmark: string) => void;
};

export function PictureBoard({ bench, picture, ...rest }: Props) {
  return (
    <PointBoard
      label="The picture"
      image={bench.subject.image}
      tall={proportion(picture)}
      dots={bench.landmarks.flatMap((each) =>
        each.rough
          ? {
              id: each.id,
              name: each.name,
              at: toShown(picture, { x: each.rough[0], y: each.rough[1] }),
            }
          : [],
      )}
      {...rest}
    />
  );
}
