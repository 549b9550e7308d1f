// A curve of the subject, traced with the pointer, as the fewest straight strokes; beside it, in words.
import { useQuery } from "@tanstack/react-query";
import { useEffect, useMemo, useRef, useState } from "react";
import { ApiError } from "../../api/client";
import { queries } from "../../api/queries";
import type { Bench } from "../../api/types";
import { polyline } from "../../geometry/marks";
import { fitted, type Point } from "../../geometry/scale";
import { SubjectImage } from "../../shared/SubjectImage";
import { useLatest } from "../../shared/useLatest";
import { useSize } from "../../shared/useSize";
import styles from "./Recipe.module.css";
import marks from "./RecipeSheet.module.css";
import { StrokesSide } from "./StrokesSide";
import { useTracing } from "./useTracing";

const LEAST_STEP = 2;

type Props = {
  bench: Bench;
  /** What stands above the side, as in the other views of the room. */
  tabs: React.ReactNode;
};

export function StrokesBoard({ bench, tabs }: Props) {
  const box = useRef<HTMLDivElement>(null);
  const { width, height } = useSize(box);
  const [curve, setCurve] = useState<Point[]>([]);
  const [tolerance, setTolerance] = useState(3);
  const seen = bench.landmarks.flatMap((each) =>
    each.seen_left_mm === null || each.seen_top_mm === null
      ? []
      : [{ x: each.seen_left_mm, y: each.seen_top_mm }],
  );
  const shown = bench.subject;
  const area = shown.image
    ? { x: shown.left_mm, y: shown.top_mm, w: shown.width_mm, h: shown.height_mm }
    : around(seen);
  const scale = fitted(
    { width: area.w, height: area.h },
    { left: 10, top: 10, width: Math.max(50, width - 20), height: Math.max(50, height - 20) },
  );
  const toScreen = (p: Point) => scale.toScreen({ x: p.x - area.x, y: p.y - area.y });
  const toMm = (p: Point) => {
    const q = scale.toSheet(p);
    return { x: q.x + area.x, y: q.y + area.y };
  };
  const asked = useMemo(() => curve.map((p): [number, number] => [p.x, p.y]), [curve]);
  const [busy, setBusy] = useState(false);
  const add = (p: Point) => {
    const here = toMm(p);
    setCurve((old) => {
      const last = old.at(-1);
      const near = last && Math.hypot(last.x - here.x, last.y - here.y) * scale.perMm < LEAST_STEP;
      return near || old.length >= 4000 ? old : [...old, here];
    });
  };
  const { cursor, drawing, handlers } = useTracing({
    middle: { x: width / 2, y: height / 2 },
    add,
    clear: () => setCurve([]),
    done: () => strokes.refetch(),
  });
  const strokes = useQuery({
    ...queries.strokes(bench, useLatest(asked, busy), tolerance),
    enabled: curve.length > 1 && !drawing.current,
  });
  useEffect(() => setBusy(strokes.isFetching), [strokes.isFetching]);
  const found = curve.length > 1 ? (strokes.data?.strokes ?? []) : [];
  const corner = toScreen({ x: shown.left_mm, y: shown.top_mm });
  return (
    <>
      <div className={`on-paper ${styles.sheet}`} ref={box}>
        {width > 0 && (
          <svg
            width={width}
            height={height}
            role="application"
            // biome-ignore lint/a11y/noNoninteractiveTabindex: traced with the arrow keys
            tabIndex={0}
            aria-label="The subject: trace an edge with the pointer; with keys, arrows move and Enter sets a point"
            className={styles.tracing}
            data-strokes={found.length}
            {...handlers}
          >
            <SubjectImage
              shown={shown}
              x={corner.x}
              y={corner.y}
              width={shown.width_mm * scale.perMm}
              height={shown.height_mm * scale.perMm}
            />
            {!shown.image &&
              seen.map((p) => {
                const q = toScreen(p);
                return (
                  <circle key={`${p.x} ${p.y}`} cx={q.x} cy={q.y} r="3" className={styles.dot} />
                );
              })}
            <path d={polyline(curve.map(toScreen), false)} className={styles.curve} />
            {found.map((each) => {
              const [a, b] = [each.start, each.end].map(([x, y]) => toScreen({ x, y })) as [
                Point,
                Point,
              ];
              return (
                <g key={`${each.start} ${each.end}`}>
                  <path d={`M${a.x} ${a.y}L${b.x} ${b.y}`} className={styles.stroke} />
                  <circle cx={b.x} cy={b.y} r="3.5" className={styles.dot} />
                </g>
              );
            })}
            {cursor && (
              <path
                d={`M${cursor.x - 8} ${cursor.y}h16M${cursor.x} ${cursor.y - 8}v16`}
                className={marks.markNow}
              />
            )}
          </svg>
        )}
      </div>
      <aside className={styles.side}>
        {tabs}
        <StrokesSide
          tolerance={tolerance}
          onTolerance={setTolerance}
          said={found.map((each) => each.said)}
          error={strokes.error instanceof ApiError ? strokes.error.sentence : null}
          onClear={curve.length ? () => setCurve([]) : null}
        />
      </aside>
    </>
  );
}

function around(points: Point[]) {
  if (points.length === 0) {
    return { x: 0, y: 0, w: 200, h: 200 };
  }
  const x = points.map((p) => p.x);
  const y = points.map((p) => p.y);
  const border = 20;
  return {
    x: Math.min(...x) - border,
    y: Math.min(...y) - border,
    w: Math.max(...x) - Math.min(...x) + 2 * border,
    h: Math.max(...y) - Math.min(...y) + 2 * border,
  };
}
