// The viewfinder over the subject: its four edges are dragged or moved by keys; background pieces
// show through as shapes of their own.
import { useRef } from "react";
import type { Bench, RoomFrame, SheetRoom } from "../../api/types";
import { polyline } from "../../geometry/marks";
import { fitted } from "../../geometry/scale";
import { CloserBox } from "../../shared/CloserBox";
import { DragHandle } from "../../shared/DragHandle";
import { SubjectImage } from "../../shared/SubjectImage";
import { useCloser } from "../../shared/useCloser";
import styles from "./Sheet.module.css";
import type { Edge } from "./useSheet";

const WIDTH = 600;
const HEIGHT = 430;
const STEP = 0.02;

type Props = {
  bench: Bench;
  room: SheetRoom;
  frame: RoomFrame;
  negative: boolean;
  /** The subject itself, without what was measured: neither gives the other away. */
  bare: boolean;
  onMove: (edge: Edge, to: number) => void;
};

export function Viewfinder({ bench, room, frame, negative, bare, onMove }: Props) {
  const box = useRef<HTMLDivElement>(null);
  const closer = useCloser(box);
  const all = room.all_round;
  const [l, t, r, b] = [
    Math.min(all.left, frame.left),
    Math.min(all.top, frame.top),
    Math.max(all.right, frame.right),
    Math.max(all.bottom, frame.bottom),
  ];
  const border = 0.08 * Math.max(r - l, b - t);
  const scale = fitted(
    { width: r - l + 2 * border, height: b - t + 2 * border },
    { left: 0, top: 0, width: WIDTH, height: HEIGHT },
  );
  const at = (x: number, y: number) => scale.toScreen({ x: x - l + border, y: y - t + border });
  const places = new Map(room.landmarks.map((each) => [each.id, at(each.x, each.y)]));
  const a = at(frame.left, frame.top);
  const c = at(frame.right, frame.bottom);
  const scene = bench.subject.kind === "scene";
  const image = scene && !bare ? null : room.image_box;
  const measured = !(scene && bare);
  const corner = image ? at(image[0], image[1]) : null;
  const far = image ? at(image[2], image[3]) : null;
  const back = (p: { x: number; y: number }) => {
    const q = scale.toSheet(p);
    return { x: q.x + l - border, y: q.y + t - border };
  };
  const handles: { edge: Edge; x: number; y: number; name: string }[] = [
    { edge: "left", x: a.x, y: (a.y + c.y) / 2, name: "Left edge of the frame" },
    { edge: "right", x: c.x, y: (a.y + c.y) / 2, name: "Right edge of the frame" },
    { edge: "top", x: (a.x + c.x) / 2, y: a.y, name: "Top edge of the frame" },
    { edge: "bottom", x: (a.x + c.x) / 2, y: c.y, name: "Bottom edge of the frame" },
  ];
  return (
    <CloserBox closer={closer}>
      <div className={`on-paper ${styles.viewfinder}`} ref={box} {...closer.touching}>
        <svg
          viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
          className={styles.board}
          style={{ width: `${100 * closer.zoom}%` }}
          role="group"
          aria-label="The frame over the subject"
        >
          {image && corner && far && (
            <SubjectImage
              shown={bench.subject}
              x={corner.x}
              y={corner.y}
              width={far.x - corner.x}
              height={far.y - corner.y}
            />
          )}
          {(measured ? bench.shapes : []).map((shape) => (
            <path
              key={shape.id}
              className={styles.outline}
              data-over={image !== null}
              d={polyline(
                shape.outline.flatMap((id) => places.get(id) ?? []),
                shape.closed,
              )}
            />
          ))}
          <path
            className={styles.outside}
            fillRule="evenodd"
            d={`M0 0H${WIDTH}V${HEIGHT}H0ZM${a.x} ${a.y}V${c.y}H${c.x}V${a.y}Z`}
          />
          {negative &&
            room.negative.map((piece) => (
              <path
                key={piece.outline.join()}
                className={styles.negative}
                data-edge={piece.at_edge}
                fillRule="evenodd"
                d={[piece.outline, ...piece.holes]
                  .map((ring) =>
                    polyline(
                      ring.map(([x, y]) => at(x, y)),
                      true,
                    ),
                  )
                  .join("")}
              >
                <title>{`${Math.round(100 * piece.share)} % of the frame`}</title>
              </path>
            ))}
          {(measured ? room.landmarks : []).map((each) => {
            const p = places.get(each.id);
            return p ? (
              <circle key={each.id} cx={p.x} cy={p.y} r="3" className={styles.dot} />
            ) : null;
          })}
          <rect
            x={a.x}
            y={a.y}
            width={c.x - a.x}
            height={c.y - a.y}
            className={styles.window}
            data-frame={[frame.left, frame.top, frame.right, frame.bottom]
              .map((v) => v.toFixed(3))
              .join(" ")}
          />
          {[0.25, 0.5, 0.75].map((q) => (
            <path
              key={q}
              className={styles.quarter}
              d={`M${a.x + q * (c.x - a.x)} ${a.y}v8M${a.x + q * (c.x - a.x)} ${c.y}v-8M${a.x} ${a.y + q * (c.y - a.y)}h8M${c.x} ${a.y + q * (c.y - a.y)}h-8`}
            />
          ))}
          {handles.map(({ edge, x, y, name }) => {
            const upright = edge === "left" || edge === "right";
            const here = frame[edge];
            return (
              <DragHandle
                key={edge}
                at={{ x, y }}
                name={name}
                value={`${here.toFixed(2)} ${room.unit_many}`}
                onDrag={(p) => onMove(edge, upright ? back(p).x : back(p).y)}
                onStep={(way) => onMove(edge, here + STEP * (upright ? way.x : way.y))}
              >
                <rect
                  x={upright ? -5 : -16}
                  y={upright ? -16 : -5}
                  width={upright ? 10 : 32}
                  height={upright ? 32 : 10}
                  rx="5"
                  className={styles.grip}
                />
              </DragHandle>
            );
          })}
        </svg>
      </div>
    </CloserBox>
  );
}
