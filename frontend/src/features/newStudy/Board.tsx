// The thumbnail: tap where each landmark sits; with the keyboard a crosshair is moved and set.
import { useRef, useState } from "react";
import { nearest } from "../../geometry/hit";
import type { Point } from "../../geometry/scale";
import { useSize } from "../../shared/useSize";
import styles from "./NewStudy.module.css";
import type { Draft } from "./useDraft";

const FINGER = 26;
const STEP = 0.02;
const CROWDED = 12;
/** Pixels that a finger slips without dragging. */
const SLIP = 5;
/** The thumbnail is as high as 1. */
const HEIGHT = 1;

type Props = {
  draft: Draft;
  chosen: readonly string[];
  pending: Point | null;
  /** An empty place was tapped (thumbnail coordinates), or a landmark. */
  onPlace: (at: Point) => void;
  onLandmark: (id: string) => void;
  /** A landmark was dragged there, while a kit is put into place. */
  onDrag?: ((id: string, at: Point) => void) | null;
  joining: readonly string[];
  hint: string;
};

export function Board(props: Props) {
  const { draft, chosen, pending, onPlace, onLandmark, joining, hint, onDrag } = props;
  const box = useRef<HTMLDivElement>(null);
  const { width, height } = useSize(box);
  const { picture } = draft;
  const per = picture
    ? Math.min(height, (width * picture.height) / picture.width)
    : height / HEIGHT;
  const [cursor, setCursor] = useState<Point | null>(null);
  const toScreen = (p: Point) => ({ x: p.x * per, y: p.y * per });
  const [dragged, setDragged] = useState<{ id: string; at: Point; moved: boolean } | null>(null);
  const points = draft.landmarks.map((each) =>
    dragged?.moved && dragged.id === each.id
      ? toScreen(dragged.at)
      : toScreen({ x: each.rough[0], y: each.rough[1] }),
  );
  // With many points only the large ones are named, and the one in hand.
  const crowded = draft.landmarks.length > CROWDED;
  const places = new Map(draft.landmarks.map((each, i) => [each.id, points[i] as Point]));
  const line = (ids: readonly string[]) =>
    ids
      .flatMap((id) => places.get(id) ?? [])
      .map((p, i) => `${i ? "L" : "M"}${p.x} ${p.y}`)
      .join("");

  const at = (p: Point) => {
    const found = draft.landmarks[nearest(points, p, FINGER)];
    if (found) {
      onLandmark(found.id);
    } else {
      onPlace({ x: p.x / per, y: p.y / per });
    }
  };
  const onKey = (event: React.KeyboardEvent) => {
    const by: Record<string, [number, number]> = {
      ArrowLeft: [-STEP, 0],
      ArrowRight: [STEP, 0],
      ArrowUp: [0, -STEP],
      ArrowDown: [0, STEP],
    };
    const step = by[event.key];
    const here = cursor ?? { x: width / per / 2, y: 0.5 };
    if (step) {
      event.preventDefault();
      const far = event.shiftKey ? 5 : 1;
      setCursor({
        x: Math.min(Math.max(here.x + step[0] * far, 0), width / per),
        y: Math.min(Math.max(here.y + step[1] * far, 0), HEIGHT),
      });
    } else if ((event.key === "Enter" || event.key === " ") && cursor) {
      event.preventDefault();
      at(toScreen(cursor));
    }
  };
  return (
    <div
      ref={box}
      className={`on-paper ${styles.board}`}
      role="application"
      aria-label="Thumbnail of the subject: arrow keys move the crosshair, Enter taps"
      // biome-ignore lint/a11y/noNoninteractiveTabindex: it is the drawing's own pointing surface
      tabIndex={0}
      onKeyDown={onKey}
      onFocus={(event) => {
        if (event.currentTarget.matches(":focus-visible")) {
          setCursor({ x: width / per / 2, y: 0.5 });
        }
      }}
      onBlur={() => setCursor(null)}
      onPointerDown={(event) => {
        const p = within(event);
        const found = onDrag ? draft.landmarks[nearest(points, p, FINGER)] : undefined;
        if (found) {
          event.currentTarget.setPointerCapture(event.pointerId);
          setDragged({ id: found.id, at: { x: p.x / per, y: p.y / per }, moved: false });
        }
      }}
      onPointerMove={(event) => {
        if (dragged) {
          const p = within(event);
          const here = { x: p.x / per, y: p.y / per };
          const far = Math.hypot(here.x - dragged.at.x, here.y - dragged.at.y) * per > SLIP;
          if (dragged.moved || far) {
            setDragged({ id: dragged.id, at: here, moved: true });
          }
        }
      }}
      onPointerUp={() => {
        if (dragged?.moved) {
          onDrag?.(dragged.id, dragged.at);
        }
      }}
      onPointerCancel={() => setDragged(null)}
      onClick={(event) => {
        const moved = dragged?.moved;
        setDragged(null);
        if (!moved) {
          at(within(event));
        }
      }}
    >
      <svg width={width} height={height} aria-hidden="true">
        {picture && (
          <image
            href={`/api/v1/pictures/${picture.picture}/view?longest=1600`}
            width={(per * picture.width) / picture.height}
            height={per}
          />
        )}
        {draft.shapes.map((each) => (
          <path
            key={each.id}
            d={line(each.outline) + (each.closed ? "Z" : "")}
            className={styles.shape}
            data-closed={each.closed}
          />
        ))}
        <path d={line(joining)} className={styles.joining} />
        {draft.landmarks.map((each, i) => {
          const p = points[i] as Point;
          const flip = p.x > width - 130;
          return (
            <g key={each.id}>
              <circle
                cx={p.x}
                cy={p.y}
                r={chosen.includes(each.id) ? 8 : 5}
                className={styles.dot}
                data-chosen={chosen.includes(each.id)}
              />
              {(!crowded || each.tier === 1 || chosen.includes(each.id)) && (
                <text x={p.x + (flip ? -12 : 12)} y={p.y - 8} textAnchor={flip ? "end" : "start"}>
                  {each.name}
                </text>
              )}
            </g>
          );
        })}
        {pending && (
          <circle cx={pending.x * per} cy={pending.y * per} r="9" className={styles.pending} />
        )}
        {cursor && (
          <path
            d={`M${cursor.x * per - 14} ${cursor.y * per}h28M${cursor.x * per} ${cursor.y * per - 14}v28`}
            className={styles.cursor}
          />
        )}
      </svg>
      <p className={styles.hint}>{hint}</p>
    </div>
  );
}

function within(event: React.PointerEvent | React.MouseEvent): Point {
  const frame = event.currentTarget.getBoundingClientRect();
  return { x: event.clientX - frame.left, y: event.clientY - frame.top };
}
