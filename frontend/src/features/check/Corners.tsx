// The four corners of the photographed sheet, each to be dragged or moved by keys, under a glass.
import { Button } from "antd";
import { useRef, useState } from "react";
import type { BenchSheet, Photograph } from "../../api/types";
import type { Point } from "../../geometry/scale";
import { DragHandle } from "../../shared/DragHandle";
import { Glass } from "../../shared/Glass";
import { useSize } from "../../shared/useSize";
import styles from "./Check.module.css";
import marks from "./Corners.module.css";

const NAMES = ["Top left", "Top right", "Bottom right", "Bottom left"];

type Props = {
  sheet: BenchSheet;
  photograph: Photograph;
  said: string;
  onTurn: (photograph: Photograph) => void;
  onCancel: () => void;
  onDone: () => void;
  trouble: string | null;
};

export function Corners({ sheet, photograph, said, onTurn, onCancel, onDone, trouble }: Props) {
  const box = useRef<HTMLDivElement>(null);
  const { width, height } = useSize(box);
  const [held, setHeld] = useState<number | null>(null);
  const scale = Math.min(width / photograph.width, height / photograph.height);
  const [w, h] = [photograph.width * scale, photograph.height * scale];
  const image = `/api/v1/pictures/${photograph.picture}/view?longest=2400`;
  const corners = photograph.corners.map(([x, y]) => ({ x: x * scale, y: y * scale }));
  const set = (number: number, to: Point) => {
    const clamped: [number, number] = [
      Math.min(Math.max(to.x / scale, 0), photograph.width),
      Math.min(Math.max(to.y / scale, 0), photograph.height),
    ];
    const moved = photograph.corners.map((each, i) => (i === number ? clamped : each));
    onTurn({ ...photograph, corners: moved, found: false });
  };
  const turn = () => {
    const [first, ...rest] = photograph.corners;
    onTurn({ ...photograph, corners: first ? [...rest, first] : rest });
  };
  return (
    <div className={styles.room}>
      <div className={`on-paper ${styles.board}`} ref={box}>
        {w > 0 && (
          <svg width={w} height={h} role="group" aria-label="Photograph of the drawing">
            <image href={image} width={w} height={h} preserveAspectRatio="none" />
            <path
              className={marks.outline}
              d={`M${corners.map((each) => `${each.x} ${each.y}`).join("L")}Z`}
            />
            {corners.map((at, i) => (
              <DragHandle
                key={NAMES[i]}
                at={at}
                name={`${NAMES[i]} corner of the sheet`}
                value={`${Math.round(at.x / scale)} across, ${Math.round(at.y / scale)} down`}
                onDrag={(to) => {
                  setHeld(i);
                  set(i, to);
                }}
                onStep={(way) => {
                  setHeld(i);
                  set(i, { x: at.x + way.x, y: at.y + way.y });
                }}
                onDone={() => setHeld(null)}
              >
                <circle r="9" className={marks.corner} />
                <text x="0" y={i < 2 ? -16 : 28} textAnchor="middle" className={marks.cornerName}>
                  {NAMES[i]}
                </text>
              </DragHandle>
            ))}
            {held !== null && corners[held] && (
              <Glass at={corners[held] as Point} image={image} width={w} height={h} />
            )}
          </svg>
        )}
      </div>
      <aside className={styles.side}>
        <h2>The corners of the sheet</h2>
        <p role="status" className={styles.large}>
          {said}
        </p>
        <p className={styles.note}>
          They belong to the paper itself, {Math.round(sheet.width_mm)} ×{" "}
          {Math.round(sheet.height_mm)} mm, as you draw on it: “top left” is the corner that is top
          left when you stand before it. Zirkel takes the camera's slant and the lens out.
        </p>
        <Button size="large" onClick={turn}>
          Turn the names round
        </Button>
        {trouble && (
          <p role="alert" className={styles.bad}>
            {trouble}
          </p>
        )}
        <div className={styles.row}>
          <Button size="large" onClick={onCancel}>
            Not now
          </Button>
          <Button type="primary" size="large" onClick={onDone}>
            These are the corners
          </Button>
        </div>
      </aside>
    </div>
  );
}
