// The picture to point at, with a magnifier under the finger; with keys a crosshair is moved and set.
import { useRef, useState } from "react";
import type { Bench, PictureSubject } from "../../../api/types";
import { nearest } from "../../../geometry/hit";
import type { Point } from "../../../geometry/scale";
import { proportion, toShown } from "../../../geometry/turned";
import { useSize } from "../../../shared/useSize";
import styles from "./Picture.module.css";

const GLASS = 62;
const ENLARGED = 4;
const FINGER = 16;
const STEP = 0.002;

type Props = {
  bench: Bench;
  picture: PictureSubject;
  chosen: string | null;
  points: readonly Point[];
  /** A place was set, in shares of what is looked at. */
  onSet: (at: Point) => void;
  onChoose: (landmark: string) => void;
};

const KEYS: Record<string, Point> = {
  ArrowLeft: { x: -1, y: 0 },
  ArrowRight: { x: 1, y: 0 },
  ArrowUp: { x: 0, y: -1 },
  ArrowDown: { x: 0, y: 1 },
};

export function PictureBoard({ bench, picture, chosen, points, onSet, onChoose }: Props) {
  const box = useRef<HTMLDivElement>(null);
  const { width, height } = useSize(box);
  const tall = proportion(picture);
  const w = Math.min(width, height / tall);
  const h = w * tall;
  const [glass, setGlass] = useState<Point | null>(null);
  const dots = bench.landmarks.flatMap((each) => {
    if (!each.rough) {
      return [];
    }
    const at = toShown(picture, { x: each.rough[0], y: each.rough[1] });
    return [{ id: each.id, name: each.name, at: { x: at.x * w, y: at.y * h } }];
  });
  const where = (event: React.PointerEvent<SVGSVGElement>): Point => {
    const frame = event.currentTarget.getBoundingClientRect();
    return {
      x: Math.min(Math.max(event.clientX - frame.left, 0), w),
      y: Math.min(Math.max(event.clientY - frame.top, 0), h),
    };
  };
  const set = (p: Point) => {
    const found =
      dots[
        nearest(
          dots.map((each) => each.at),
          p,
          FINGER,
        )
      ];
    if (found && !chosen) {
      onChoose(found.id);
    } else {
      onSet({ x: p.x / w, y: p.y / h });
    }
  };
  const onKey = (event: React.KeyboardEvent) => {
    const way = KEYS[event.key];
    const here = glass ?? { x: w / 2, y: h / 2 };
    if (way) {
      event.preventDefault();
      const by = (event.shiftKey ? 20 : 1) * STEP * Math.max(w, h);
      setGlass({
        x: Math.min(Math.max(here.x + way.x * by, 0), w),
        y: Math.min(Math.max(here.y + way.y * by, 0), h),
      });
    }
    if (event.key === "Enter" && glass) {
      event.preventDefault();
      set(glass);
    }
  };
  const image = bench.subject.image ?? "";
  return (
    <div className={`on-paper ${styles.board}`} ref={box}>
      {w > 0 && (
        <svg
          width={w}
          height={h}
          role="application"
          // biome-ignore lint/a11y/noNoninteractiveTabindex: pointed at with the arrow keys
          tabIndex={0}
          aria-label="The picture: arrow keys move the magnifier, Enter sets the point"
          onPointerMove={(event) => setGlass(where(event))}
          onPointerLeave={() => setGlass(null)}
          onPointerUp={(event) => set(where(event))}
          onKeyDown={onKey}
        >
          <image href={image} width={w} height={h} preserveAspectRatio="none" />
          {dots.map((each) => (
            <g
              key={each.id}
              className={styles.dot}
              data-chosen={each.id === chosen}
              data-landmark={each.id}
            >
              <circle cx={each.at.x} cy={each.at.y} r="7" />
              <path d={`M${each.at.x - 4} ${each.at.y}h8M${each.at.x} ${each.at.y - 4}v8`} />
              <text x={each.at.x + 10} y={each.at.y - 8}>
                {each.name}
              </text>
            </g>
          ))}
          {points.map((each) => (
            <circle
              key={`${each.x} ${each.y}`}
              cx={each.x * w}
              cy={each.y * h}
              r="6"
              className={styles.point}
            />
          ))}
          {glass && <Glass at={glass} image={image} width={w} height={h} />}
        </svg>
      )}
    </div>
  );
}

/** A round magnifier beside the finger, its crosshair on the place meant. */
function Glass({
  at,
  image,
  width,
  height,
}: {
  at: Point;
  image: string;
  width: number;
  height: number;
}) {
  const x = at.x + (at.x > width / 2 ? -1 : 1) * (GLASS + 26);
  const y = Math.min(Math.max(at.y - GLASS - 20, GLASS + 2), height - GLASS - 2);
  return (
    <g className={styles.glass}>
      <clipPath id="glass">
        <circle cx={x} cy={y} r={GLASS} />
      </clipPath>
      <circle cx={x} cy={y} r={GLASS} className={styles.rim} />
      <image
        href={image}
        x={x - at.x * ENLARGED}
        y={y - at.y * ENLARGED}
        width={width * ENLARGED}
        height={height * ENLARGED}
        preserveAspectRatio="none"
        clipPath="url(#glass)"
      />
      <circle cx={x} cy={y} r={GLASS} className={styles.ring} />
      <path d={`M${x - 12} ${y}h24M${x} ${y - 12}v24`} />
      <path d={`M${at.x - 9} ${at.y}h6m6 0h6M${at.x} ${at.y - 9}v6m0 6v6`} />
    </g>
  );
}
