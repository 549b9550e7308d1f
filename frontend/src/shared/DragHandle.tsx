// A handle of a drawing: dragged, or moved by the arrow keys; it has a name and says its value.
import { useRef } from "react";
import type { Point } from "../geometry/scale";
import styles from "./DragHandle.module.css";

const KEYS: Record<string, Point> = {
  ArrowLeft: { x: -1, y: 0 },
  ArrowRight: { x: 1, y: 0 },
  ArrowUp: { x: 0, y: -1 },
  ArrowDown: { x: 0, y: 1 },
};

type Props = {
  at: Point;
  name: string;
  value: string;
  /** The place dragged to, in the drawing's own units. */
  onDrag: (to: Point) => void;
  onStep: (way: Point) => void;
  /** The handle was let go of, or a key was. */
  onDone?: () => void;
  children: React.ReactNode;
};

export function DragHandle({ at, name, value, onDrag, onStep, onDone, children }: Props) {
  const dragging = useRef(false);
  const there = (event: React.PointerEvent<SVGGElement>): Point => {
    const svg = event.currentTarget.ownerSVGElement;
    const matrix = svg?.getScreenCTM()?.inverse();
    const p = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix ?? undefined);
    return { x: p.x, y: p.y };
  };
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={name}
      aria-valuenow={0}
      aria-valuetext={value}
      className={styles.handle}
      transform={`translate(${at.x} ${at.y})`}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        dragging.current = true;
      }}
      onPointerMove={(event) => dragging.current && onDrag(there(event))}
      onPointerUp={() => {
        dragging.current = false;
        onDone?.();
      }}
      onKeyDown={(event) => {
        const way = KEYS[event.key];
        if (way) {
          event.preventDefault();
          const by = event.shiftKey ? 10 : 1;
          onStep({ x: way.x * by, y: way.y * by });
        }
      }}
      onKeyUp={(event) => KEYS[event.key] && onDone?.()}
    >
      <circle r="22" fill="transparent" />
      {/* A thumb's breadth on the screen, however small the drawing is shown. */}
      <circle r="1" stroke="transparent" strokeWidth="44" vectorEffect="non-scaling-stroke" />
      {children}
    </g>
  );
}
