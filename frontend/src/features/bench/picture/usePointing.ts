// What a finger or a pointer means on the picture: a landmark, one of several, an edge, a place.
import { useRef, useState } from "react";
import type { Point } from "../../../geometry/scale";
import { edgeAt } from "./edges";
import type { Drawn, Picture } from "./usePicture";
import type { Looking } from "./useView";

/** How far off a landmark may be touched or pointed at and still be meant, in pixels. */
const FINGER = { touch: 34, mouse: 26 };
/** One standard deviation of a thumb, in pixels; and what the second nearest may cost more, in squares
 * of that, and still be meant once in a thousand. */
const THUMB = 7;
const DOUBTFUL = 14;
const MOST_ASKED = 8;

export type Edge = NonNullable<ReturnType<typeof edgeAt>>;

type Given = {
  picture: Picture;
  looking: Looking;
  onChoose: (id: string) => void;
  onEdge?: ((edge: Edge) => void) | undefined;
  onPlace: ((at: Point) => void) | null;
};

export function usePointing({ picture, looking, onChoose, onEdge, onPlace }: Given) {
  const [over, setOver] = useState<string | null>(null);
  const [asked, setAsked] = useState<Drawn[]>([]);
  // The click that follows a touch would fall on the very names that it brought up.
  const between = useRef<Drawn[]>([]);

  /** Those within reach, the nearest first, with the squares of how far they are. */
  const near = (event: React.PointerEvent<SVGSVGElement>) => {
    const at = within(event);
    const reach = event.pointerType === "touch" ? FINGER.touch : FINGER.mouse;
    const onSheet = at.x >= picture.layout.divide;
    return picture.drawn
      .flatMap((drawn) => {
        const there = onSheet ? drawn.mark : drawn.seen;
        return there ? [{ drawn, far: (there.x - at.x) ** 2 + (there.y - at.y) ** 2 }] : [];
      })
      .filter((each) => each.far <= reach ** 2)
      .sort((a, b) => a.far - b.far);
  };
  const choose = (id: string) => {
    setAsked([]);
    onChoose(id);
  };

  return {
    over,
    /** Between which of several a thumb left it open. */
    asked,
    choose,
    leave: () => setAsked([]),
    handlers: {
      onPointerMove: (event: React.PointerEvent<SVGSVGElement>) =>
        setOver(looking.move(event) ? null : (near(event)[0]?.drawn.landmark.id ?? null)),
      onPointerLeave: (event: React.PointerEvent) => {
        setOver(null);
        looking.away(event);
      },
      onPointerCancel: looking.away,
      onPointerDown: (event: React.PointerEvent) => {
        if (!(event.target as Element).closest("[data-stick]")) {
          looking.down(event);
        }
      },
      onClick: () => {
        setAsked(between.current);
        between.current = [];
      },
      onPointerUp: (event: React.PointerEvent<SVGSVGElement>) => {
        if (!looking.up(event)) {
          return;
        }
        const at = within(event);
        const found = near(event);
        const [first] = found;
        const edge = !first && onEdge ? edgeAt(picture, at) : null;
        if (edge) {
          onEdge?.(edge);
        }
        if (onPlace && at.x < picture.layout.divide) {
          onPlace(picture.layout.subject.toSheet(at));
          return;
        }
        const meant = found.filter((each) => each.far - (first?.far ?? 0) < DOUBTFUL * THUMB ** 2);
        if (event.pointerType === "touch" && meant.length > 1) {
          between.current = meant.slice(0, MOST_ASKED).map((each) => each.drawn);
        } else if (first) {
          choose(first.drawn.landmark.id);
        }
      },
    },
  };
}

function within(event: React.PointerEvent<SVGSVGElement>): Point {
  const frame = event.currentTarget.getBoundingClientRect();
  return { x: event.clientX - frame.left, y: event.clientY - frame.top };
}
