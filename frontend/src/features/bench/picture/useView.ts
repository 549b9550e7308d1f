// How close the picture is looked at: by wheel, by two fingers, by dragging, by keys.
import { type RefObject, useCallback, useEffect, useRef, useState } from "react";
import type { Point } from "../../../geometry/scale";

/** Both sides enlarged about their middle, and moved by so many pixels. */
export type View = { zoom: number; x: number; y: number };

export const WHOLE: View = { zoom: 1, x: 0, y: 0 };
const CLOSEST = 8;
const STEP = 1.25;
const PAN = 60;
const ZOOMS: Record<string, number> = { "+": STEP, "=": STEP, "-": 1 / STEP };
const WAYS: Record<string, Point> = {
  ArrowLeft: { x: PAN, y: 0 },
  ArrowRight: { x: -PAN, y: 0 },
  ArrowUp: { x: 0, y: PAN },
  ArrowDown: { x: 0, y: -PAN },
};
/** Pixels that a press may wander and still be a tap. */
const STILL = 6;

export type Looking = ReturnType<typeof useView>;

export function useView(box: RefObject<HTMLElement | null>) {
  const [view, setView] = useState<View>(WHOLE);
  const fingers = useRef(new Map<number, Point>());
  const moved = useRef(0);

  /** Enlarges about a place, given from the middle of its side; it stays where it is. */
  const zoomAt = useCallback((by: number, at: Point) => {
    setView((old) => {
      const zoom = Math.min(CLOSEST, Math.max(1, old.zoom * by));
      const k = zoom / old.zoom;
      return zoom === 1
        ? WHOLE
        : { zoom, x: at.x - (at.x - old.x) * k, y: at.y - (at.y - old.y) * k };
    });
  }, []);
  const pan = useCallback((x: number, y: number) => {
    setView((old) => (old.zoom === 1 ? old : { ...old, x: old.x + x, y: old.y + y }));
  }, []);

  const fromMiddle = useCallback(
    (x: number, y: number): Point => {
      const frame = box.current?.getBoundingClientRect();
      const [width, height] = [frame?.width ?? 0, frame?.height ?? 0];
      const [left, top] = [x - (frame?.left ?? 0), y - (frame?.top ?? 0)];
      return { x: left - (left < width / 2 ? width / 4 : (3 * width) / 4), y: top - height / 2 };
    },
    [box],
  );

  // React's own wheel listeners may not keep the page from scrolling.
  useEffect(() => {
    const held = box.current;
    const onWheel = (event: WheelEvent) => {
      event.preventDefault();
      zoomAt(event.deltaY < 0 ? STEP : 1 / STEP, fromMiddle(event.clientX, event.clientY));
    };
    held?.addEventListener("wheel", onWheel, { passive: false });
    return () => held?.removeEventListener("wheel", onWheel);
  }, [box, zoomAt, fromMiddle]);

  const down = (event: React.PointerEvent) => {
    fingers.current.set(event.pointerId, { x: event.clientX, y: event.clientY });
    moved.current = fingers.current.size > 1 ? Number.POSITIVE_INFINITY : 0;
  };
  /** Follows the fingers; answers whether they are moving the picture. */
  const move = (event: React.PointerEvent): boolean => {
    const was = fingers.current.get(event.pointerId);
    if (!was) {
      return false;
    }
    const now = { x: event.clientX, y: event.clientY };
    const other = [...fingers.current].find(([id]) => id !== event.pointerId)?.[1];
    fingers.current.set(event.pointerId, now);
    moved.current += Math.hypot(now.x - was.x, now.y - was.y);
    if (other) {
      const middle = fromMiddle((now.x + other.x) / 2, (now.y + other.y) / 2);
      const apart = Math.hypot(was.x - other.x, was.y - other.y);
      zoomAt(Math.hypot(now.x - other.x, now.y - other.y) / Math.max(apart, 1), middle);
    } else if (moved.current > STILL) {
      pan(now.x - was.x, now.y - was.y);
    }
    return moved.current > STILL;
  };
  /** Answers whether the press was a tap. */
  const up = (event: React.PointerEvent): boolean => {
    const known = fingers.current.delete(event.pointerId);
    return known && moved.current <= STILL;
  };
  const away = (event: React.PointerEvent) => fingers.current.delete(event.pointerId);

  /** Answers whether a key changed how the picture is looked at. */
  const key = useCallback(
    (event: KeyboardEvent): boolean => {
      const closer = ZOOMS[event.key];
      const way = event.shiftKey ? WAYS[event.key] : undefined;
      if (closer) {
        zoomAt(closer, { x: 0, y: 0 });
      }
      if (way) {
        pan(way.x, way.y);
      }
      return closer !== undefined || way !== undefined;
    },
    [zoomAt, pan],
  );
  return { view, down, move, up, away, key, whole: () => setView(WHOLE), zoomAt };
}
