// Tracing an edge: with a drag, with clicks, or with the arrow keys and Enter.
import { type KeyboardEvent, type PointerEvent, useRef, useState } from "react";
import type { Point } from "../../geometry/scale";

const KEY_STEP = 4;
/** A press that moves no further than this, in pixels, is a click. */
const CLICK = 4;

const KEYS: Record<string, Point> = {
  ArrowLeft: { x: -1, y: 0 },
  ArrowRight: { x: 1, y: 0 },
  ArrowUp: { x: 0, y: -1 },
  ArrowDown: { x: 0, y: 1 },
};

type Trace = {
  /** Where the cross of the keys begins, in pixels. */
  middle: Point;
  /** Another point of the curve, in pixels. */
  add: (p: Point) => void;
  /** A new curve begins. */
  clear: () => void;
  /** The pointer is lifted. */
  done: () => void;
};

export function useTracing({ middle, add, clear, done }: Trace) {
  const [cursor, setCursor] = useState<Point | null>(null);
  const [traced, setTraced] = useState(false);
  const drawing = useRef(false);
  const pressed = useRef<Point | null>(null);
  const onPointerDown = (event: PointerEvent<SVGSVGElement>) => {
    event.currentTarget.setPointerCapture(event.pointerId);
    pressed.current = where(event);
  };
  const onPointerMove = (event: PointerEvent<SVGSVGElement>) => {
    const start = pressed.current;
    const here = where(event);
    const moved = start && Math.hypot(here.x - start.x, here.y - start.y) > CLICK;
    if (moved && !drawing.current) {
      // A drag begins a new curve; clicks add to the one that is clicked together.
      drawing.current = true;
      setTraced(true);
      clear();
      add(start);
    }
    if (drawing.current) {
      add(here);
    }
  };
  const onPointerUp = (event: PointerEvent<SVGSVGElement>) => {
    if (!drawing.current && traced) {
      setTraced(false);
      clear();
    }
    drawing.current = false;
    pressed.current = null;
    add(where(event));
    done();
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const way = KEYS[event.key];
    const here = cursor ?? middle;
    if (way) {
      event.preventDefault();
      event.stopPropagation();
      const by = event.shiftKey ? KEY_STEP * 5 : KEY_STEP;
      setCursor({ x: here.x + way.x * by, y: here.y + way.y * by });
    } else if (event.key === "Enter") {
      add(here);
    }
  };
  return { cursor, drawing, handlers: { onPointerDown, onPointerMove, onPointerUp, onKeyDown } };
}

function where(event: PointerEvent<SVGSVGElement>): Point {
  const frame = event.currentTarget.getBoundingClientRect();
  return { x: event.clientX - frame.left, y: event.clientY - frame.top };
}
