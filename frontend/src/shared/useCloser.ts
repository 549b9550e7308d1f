// A picture looked at more closely: by two fingers, by Ctrl and wheel, by its keys. What is shown
// grows; the box round it is scrolled.
import { type RefObject, useEffect, useRef, useState } from "react";
import type { Point } from "../geometry/scale";

const CLOSEST = 6;
const STEP = 1.5;
const FRAMES = 10;

export type Closer = ReturnType<typeof useCloser>;

export function useCloser(box: RefObject<HTMLElement | null>) {
  const [zoom, setZoom] = useState(1);
  const fingers = useRef(new Map<number, Point>());
  const pinching = useRef(false);
  /** Where the box is to be scrolled to once the picture has its new size. */
  const then = useRef<Point | null>(null);
  const now = useRef(zoom);
  now.current = zoom;

  /** Enlarges about a place of the box, which stays where it is, and moves it by so much. */
  const zoomAt = (by: number, at: Point, move: Point = { x: 0, y: 0 }) => {
    const held = box.current;
    const next = Math.min(CLOSEST, Math.max(1, now.current * by));
    const k = next / now.current;
    if (held) {
      const from = then.current ?? { x: held.scrollLeft, y: held.scrollTop };
      then.current = {
        x: (from.x + at.x) * k - at.x - move.x,
        y: (from.y + at.y) * k - at.y - move.y,
      };
      now.current = next;
      setZoom(next);
      if (k === 1) {
        held.scrollTo(then.current.x, then.current.y);
        then.current = null;
      }
    }
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: once the picture has its new size
  useEffect(() => {
    let frame = 0;
    // What can be scrolled grows some frames after what is in it.
    const follow = (left: number) => {
      const [held, to] = [box.current, then.current];
      if (held && to) {
        held.scrollTo(to.x, to.y);
        if (left > 0 && Math.abs(held.scrollLeft - to.x) > 1) {
          frame = requestAnimationFrame(() => follow(left - 1));
        } else {
          then.current = null;
        }
      }
    };
    follow(FRAMES);
    return () => cancelAnimationFrame(frame);
  }, [zoom, box]);

  const inBox = (p: Point): Point => {
    const frame = box.current?.getBoundingClientRect();
    return { x: p.x - (frame?.left ?? 0), y: p.y - (frame?.top ?? 0) };
  };
  const zooming = useRef(zoomAt);
  zooming.current = zoomAt;
  useEffect(() => {
    const held = box.current;
    const onWheel = (event: WheelEvent) => {
      if (event.ctrlKey) {
        event.preventDefault();
        const frame = held?.getBoundingClientRect();
        const at = { x: event.clientX - (frame?.left ?? 0), y: event.clientY - (frame?.top ?? 0) };
        zooming.current(event.deltaY < 0 ? 1.1 : 1 / 1.1, at);
      }
    };
    held?.addEventListener("wheel", onWheel, { passive: false });
    return () => held?.removeEventListener("wheel", onWheel);
  }, [box]);

  const middle = () => {
    const held = box.current;
    return { x: (held?.clientWidth ?? 0) / 2, y: (held?.clientHeight ?? 0) / 2 };
  };
  const leave = (event: React.PointerEvent) => {
    fingers.current.delete(event.pointerId);
    if (pinching.current) {
      event.stopPropagation();
      pinching.current = fingers.current.size > 0;
    }
  };
  return {
    zoom,
    closer: () => zoomAt(STEP, middle()),
    whole: () => setZoom(1),
    /** Before the picture hears of them: two fingers set nothing on it. */
    touching: {
      onPointerDownCapture: (event: React.PointerEvent) => {
        if (event.pointerType === "touch") {
          fingers.current.set(event.pointerId, { x: event.clientX, y: event.clientY });
          pinching.current ||= fingers.current.size > 1;
        }
      },
      onPointerMoveCapture: (event: React.PointerEvent) => {
        const was = fingers.current.get(event.pointerId);
        if (!was || !pinching.current) {
          return;
        }
        event.stopPropagation();
        const there = { x: event.clientX, y: event.clientY };
        const other = [...fingers.current].find(([id]) => id !== event.pointerId)?.[1];
        fingers.current.set(event.pointerId, there);
        if (other) {
          const apart = Math.max(Math.hypot(was.x - other.x, was.y - other.y), 1);
          const by = Math.hypot(there.x - other.x, there.y - other.y) / apart;
          const at = inBox({ x: (there.x + other.x) / 2, y: (there.y + other.y) / 2 });
          zoomAt(by, at, { x: (there.x - was.x) / 2, y: (there.y - was.y) / 2 });
        }
      },
      onPointerUpCapture: leave,
      onPointerCancelCapture: leave,
    },
  };
}
