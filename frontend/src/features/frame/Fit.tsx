// The sheet as it will be: the drawing is dragged about on it; its size is a length for the unit.
import { useRef, useState } from "react";
import type { Bench, SheetRoom } from "../../api/types";
import { polyline } from "../../geometry/marks";
import { fitted, type Point } from "../../geometry/scale";
import { CloserBox } from "../../shared/CloserBox";
import { DragHandle } from "../../shared/DragHandle";
import { useCloser } from "../../shared/useCloser";
import styles from "./Sheet.module.css";

const WIDTH = 430;
const HEIGHT = 430;
const STEP = 0.01;

type Props = {
  bench: Bench;
  room: SheetRoom;
  onPlace: (across: number, down: number) => void;
};

export function Fit({ bench, room, onPlace }: Props) {
  const around = useRef<HTMLDivElement>(null);
  const closer = useCloser(around);
  const s = bench.sheet;
  const scale = fitted(
    { width: s.width_mm, height: s.height_mm },
    { left: 8, top: 8, width: WIDTH - 16, height: HEIGHT - 16 },
  );
  const [off, setOff] = useState<Point>({ x: 0, y: 0 });
  const unit = s.unit_mm ?? 1;
  const frame = room.frame;
  const wide = (frame.right - frame.left) * unit;
  const high = (frame.bottom - frame.top) * unit;
  const first = bench.landmarks[0];
  const solved = room.landmarks[0];
  if (!first || !solved) {
    return <p>Name a few landmarks on the bench first.</p>;
  }
  const origin = {
    x: first.held_left_mm - solved.x * unit,
    y: first.held_top_mm - solved.y * unit,
  };
  const box = { x: origin.x + frame.left * unit + off.x, y: origin.y + frame.top * unit + off.y };
  const freeX = s.width_mm - s.margin_left_mm - s.margin_right_mm - wide;
  const freeY = s.height_mm - s.margin_top_mm - s.margin_bottom_mm - high;
  const at = (p: Point) => scale.toScreen(p);
  const corner = at(box);
  const middle = at({ x: box.x + wide / 2, y: box.y + high / 2 });
  const places = new Map(
    bench.landmarks.map((each) => [
      each.id,
      at({ x: each.held_left_mm + off.x, y: each.held_top_mm + off.y }),
    ]),
  );
  const share = (position: number, margin: number, free: number) =>
    Math.min(Math.max(free > 1e-6 ? (position - margin) / free : 0.5, 0), 1);
  const place = (x: number, y: number) => {
    const across = share(x, s.margin_left_mm, freeX);
    const down = share(y, s.margin_top_mm, freeY);
    setOff({ x: 0, y: 0 });
    onPlace(round(across), round(down));
  };
  const limit = (x: number, y: number) => ({
    x: Math.min(Math.max(x, s.margin_left_mm), s.margin_left_mm + Math.max(freeX, 0)),
    y: Math.min(Math.max(y, s.margin_top_mm), s.margin_top_mm + Math.max(freeY, 0)),
  });
  const start = { x: box.x - off.x, y: box.y - off.y };
  return (
    <CloserBox closer={closer}>
      <div className={`on-paper ${styles.fit}`} ref={around} {...closer.touching}>
        <svg
          viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
          className={styles.board}
          style={{ width: `${100 * closer.zoom}%` }}
          role="group"
          aria-label="The sheet"
        >
          <rect
            {...rect(at({ x: 0, y: 0 }), at({ x: s.width_mm, y: s.height_mm }))}
            className={styles.paper}
          />
          <rect
            {...rect(
              at({ x: s.margin_left_mm, y: s.margin_top_mm }),
              at({ x: s.width_mm - s.margin_right_mm, y: s.height_mm - s.margin_bottom_mm }),
            )}
            className={styles.margin}
            data-fits={s.fits}
          />
          <rect
            x={corner.x}
            y={corner.y}
            width={wide * scale.perMm}
            height={high * scale.perMm}
            className={styles.window}
            data-placed={`${box.x.toFixed(1)} ${box.y.toFixed(1)}`}
          />
          {bench.shapes.map((shape) => (
            <path
              key={shape.id}
              className={styles.drawn}
              d={polyline(
                shape.outline.flatMap((id) => places.get(id) ?? []),
                shape.closed,
              )}
            />
          ))}
          <DragHandle
            at={middle}
            name="The drawing on the sheet"
            value={`${Math.round(box.x)} mm from the left, ${Math.round(box.y)} mm from the top`}
            onDrag={(p) => {
              const there = scale.toSheet(p);
              const to = limit(there.x - wide / 2, there.y - high / 2);
              setOff({ x: to.x - start.x, y: to.y - start.y });
            }}
            onStep={(way) => {
              const to = limit(box.x + way.x * STEP * freeX, box.y + way.y * STEP * freeY);
              setOff({ x: to.x - start.x, y: to.y - start.y });
            }}
            onDone={() => (off.x !== 0 || off.y !== 0) && place(box.x, box.y)}
          >
            <circle r="13" className={styles.carry} />
            <path d="M-7 0H7M0 -7V7" className={styles.carryCross} />
          </DragHandle>
        </svg>
      </div>
    </CloserBox>
  );
}

function rect(a: Point, b: Point) {
  return { x: a.x, y: a.y, width: b.x - a.x, height: b.y - a.y };
}

function round(value: number): number {
  return Math.round(value * 1000) / 1000;
}
