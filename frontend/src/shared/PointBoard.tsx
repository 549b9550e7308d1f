// A picture to point at, with a magnifier under the finger; with keys a crosshair is moved and set.
import { useRef, useState } from "react";
import { nearest } from "../geometry/hit";
import type { Point } from "../geometry/scale";
import { besidePoints } from "../geometry/words";
import { CloserBox } from "./CloserBox";
import { Glass } from "./Glass";
import { PlacedWords } from "./PlacedWords";
import styles from "./PointBoard.module.css";
import { useCloser } from "./useCloser";
import { useSize } from "./useSize";

const FINGER = 16;
/** A finger that moved further has dragged. */
const DRAGGED = 8;
/** Mean width of a letter of the names, in pixels. */
const LETTER = 7.4;
const STEP = 0.002;

/** A named place on the picture, in shares of it. */
export type Dot = { id: string; name: string; at: Point };

type Props = {
  label: string;
  /** Its address; plain paper where there is none. */
  image: string | null;
  /** Height over width. */
  tall: number;
  dots: readonly Dot[];
  chosen: string | null;
  points?: readonly Point[];
  /** A place was set, in shares of the picture; nothing can be set where this is missing. */
  onSet?: (at: Point) => void;
  onChoose?: (dot: string) => void;
  /** A dot was dragged there, in shares of the picture. */
  onDrag?: (dot: string, at: Point) => void;
  /** Dots are chosen, even where one is already. */
  picking?: boolean;
  /** What is drawn over the dots, for a picture of so many pixels. */
  children?: (width: number, height: number) => React.ReactNode;
};

const KEYS: Record<string, Point> = {
  ArrowLeft: { x: -1, y: 0 },
  ArrowRight: { x: 1, y: 0 },
  ArrowUp: { x: 0, y: -1 },
  ArrowDown: { x: 0, y: 1 },
};

export function PointBoard({
  label,
  image,
  tall,
  dots,
  chosen,
  points = [],
  onSet,
  onChoose,
  onDrag,
  picking,
  children,
}: Props) {
  const box = useRef<HTMLDivElement>(null);
  const { width, height } = useSize(box);
  const closer = useCloser(box);
  const w = Math.min(width, height / tall) * closer.zoom;
  const h = w * tall;
  const [glass, setGlass] = useState<Point | null>(null);
  const clamped = (p: Point): Point => ({
    x: Math.min(Math.max(p.x, 0), w),
    y: Math.min(Math.max(p.y, 0), h),
  });
  const where = (event: React.PointerEvent<SVGSVGElement>): Point => {
    const frame = event.currentTarget.getBoundingClientRect();
    return clamped({ x: event.clientX - frame.left, y: event.clientY - frame.top });
  };
  const places = dots.map((each) => ({ x: each.at.x * w, y: each.at.y * h }));
  /** The dot that was taken hold of, and where. */
  const held = useRef<{ id: string; from: Point } | null>(null);
  const dotAt = (p: Point) => dots[nearest(places, p, FINGER)];
  const set = (p: Point) => {
    const taken = held.current;
    held.current = null;
    if (taken && Math.hypot(p.x - taken.from.x, p.y - taken.from.y) > DRAGGED) {
      onDrag?.(taken.id, { x: p.x / w, y: p.y / h });
      return;
    }
    const found = dotAt(p);
    if (found && onChoose && (picking || !chosen)) {
      onChoose(found.id);
    } else {
      onSet?.({ x: p.x / w, y: p.y / h });
    }
  };
  const onKey = (event: React.KeyboardEvent) => {
    const way = KEYS[event.key];
    const here = glass ?? { x: w / 2, y: h / 2 };
    if (way) {
      event.preventDefault();
      const by = (event.shiftKey ? 20 : 1) * STEP * Math.max(w, h);
      setGlass(clamped({ x: here.x + way.x * by, y: here.y + way.y * by }));
    }
    if (event.key === "Enter" && glass) {
      event.preventDefault();
      set(glass);
    }
  };
  const pointing = onSet
    ? {
        tabIndex: 0,
        onPointerMove: (event: React.PointerEvent<SVGSVGElement>) => setGlass(where(event)),
        onPointerLeave: () => setGlass(null),
        onPointerDown: (event: React.PointerEvent<SVGSVGElement>) => {
          const found = onDrag && dotAt(where(event));
          held.current = found ? { id: found.id, from: where(event) } : null;
        },
        onPointerUp: (event: React.PointerEvent<SVGSVGElement>) => set(where(event)),
        onKeyDown: onKey,
      }
    : {};
  const names = besidePoints(
    dots.flatMap(({ id, name }, i) =>
      name ? [{ id, text: name, at: places[i] as Point, must: id === chosen }] : [],
    ),
    places,
    { left: 2, right: w - 2, top: 2, bottom: h - 2 },
    LETTER,
  );
  return (
    <CloserBox closer={closer}>
      <div
        className={`on-paper ${styles.board}`}
        style={{ "--tall": tall } as React.CSSProperties}
        ref={box}
        {...closer.touching}
      >
        {w > 0 && (
          <svg
            width={w}
            height={h}
            data-pointing={Boolean(onSet)}
            role={onSet ? "application" : "img"}
            aria-label={
              onSet ? `${label}: arrow keys move the magnifier, Enter sets the point` : label
            }
            {...pointing}
          >
            {image ? (
              <image href={image} width={w} height={h} preserveAspectRatio="none" />
            ) : (
              <rect width={w} height={h} className={styles.paper} />
            )}
            {dots.map(({ id, at }) => {
              const [x, y] = [at.x * w, at.y * h];
              return (
                <g key={id} className={styles.dot} data-chosen={id === chosen} data-landmark={id}>
                  <circle cx={x} cy={y} r="7" />
                  <path d={`M${x - 4} ${y}h8M${x} ${y - 4}v8`} />
                </g>
              );
            })}
            <PlacedWords words={names} className={() => styles.name} />
            {children?.(w, h)}
            {points.map((each) => (
              <circle
                key={`${each.x} ${each.y}`}
                cx={each.x * w}
                cy={each.y * h}
                r="6"
                className={styles.point}
              />
            ))}
            {glass && onSet && image && <Glass at={glass} image={image} width={w} height={h} />}
            {glass && onSet && !image && (
              <path
                className={styles.cross}
                d={`M${glass.x - 14} ${glass.y}h28M${glass.x} ${glass.y - 14}v28`}
              />
            )}
          </svg>
        )}
      </div>
    </CloserBox>
  );
}
