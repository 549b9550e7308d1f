// The stick over the subject: drag its ends or carry it whole; with keys each end moves by itself.
import { useRef } from "react";
import type { Point, Scale } from "../../../geometry/scale";
import styles from "./Stick.module.css";
import type { End, Stick } from "./useStick";

const BEYOND = 40;
const STEP_MM = 1;
const FAR_MM = 10;

type Props = {
  stick: Stick;
  scale: Scale;
  right: number;
  bottom: number;
  name: (id: string) => string;
};

const KEYS: Record<string, Point> = {
  ArrowLeft: { x: -1, y: 0 },
  ArrowRight: { x: 1, y: 0 },
  ArrowUp: { x: 0, y: -1 },
  ArrowDown: { x: 0, y: 1 },
};

export function StickOverlay({ stick, scale, right, bottom, name }: Props) {
  const { pose, thumb, steps, held } = stick;
  const tip = scale.toScreen(pose.from);
  const to = scale.toScreen(pose.to);
  const seen = scale.toScreen(stick.ends.end.at);
  const angle = (Math.atan2(pose.way.y, pose.way.x) * 180) / Math.PI;
  const laid = thumb > 0 && stick.counts ? thumb : pose.length;
  const px = laid * scale.perMm;
  const start = scale.toScreen({
    x: pose.from.x + pose.way.x * laid * steps,
    y: pose.from.y + pose.way.y * laid * steps,
  });
  return (
    <g data-stick="true" className={styles.overlay}>
      {held === "drop" && (
        <g className={styles.cord}>
          <path d={`M${tip.x} ${Math.max(44, tip.y - 40)}V${bottom - 20}`} />
          <path d={`M${tip.x - 6} ${bottom - 22}h12l-6 14z`} />
        </g>
      )}
      {held === "height" && (
        <g className={styles.cord}>
          <path d={`M8 ${tip.y}H${right - 8}`} />
        </g>
      )}
      {stick.counts &&
        Array.from({ length: steps + 1 }, (_, i) => {
          const at = scale.toScreen({
            x: pose.from.x + pose.way.x * laid * i,
            y: pose.from.y + pose.way.y * laid * i,
          });
          return (
            <path
              // biome-ignore lint/suspicious/noArrayIndexKey: the steps are their numbers
              key={i}
              className={styles.tick}
              d={`M${at.x - pose.way.y * 13} ${at.y + pose.way.x * 13}L${at.x + pose.way.y * 13} ${at.y - pose.way.x * 13}`}
            />
          );
        })}
      {(held === "drop" || held === "height") && (
        <path className={styles.gap} d={`M${to.x} ${to.y}L${seen.x} ${seen.y}`} />
      )}
      {held !== "drop" && held !== "height" && (
        <Body stick={stick} scale={scale} at={start} angle={angle} px={px} />
      )}
      {stick.counts && <path className={styles.gap} d={`M${to.x} ${to.y}L${seen.x} ${seen.y}`} />}
      <Handle stick={stick} scale={scale} which="tip" at={tip} name={name} />
      <Handle stick={stick} scale={scale} which="end" at={seen} name={name} />
    </g>
  );
}

/** The stick itself, with the thumbnail where it is set; dragged, it is carried whole. */
function Body({
  stick,
  scale,
  at,
  angle,
  px,
}: {
  stick: Stick;
  scale: Scale;
  at: Point;
  angle: number;
  px: number;
}) {
  const taken = useRef<{ at: Point; ends: Record<End, Point> } | null>(null);
  const both = stick.held === "tilt";
  return (
    <g
      transform={`translate(${at.x} ${at.y}) rotate(${angle})`}
      className={styles.body}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        taken.current = {
          at: { x: event.clientX, y: event.clientY },
          ends: { tip: stick.ends.tip.at, end: stick.ends.end.at },
        };
      }}
      onPointerMove={(event) => {
        if (taken.current) {
          stick.carryBoth(taken.current.ends, {
            x: (event.clientX - taken.current.at.x) / scale.perMm,
            y: (event.clientY - taken.current.at.y) / scale.perMm,
          });
        }
      }}
      onPointerUp={() => {
        taken.current = null;
      }}
    >
      <rect
        x={both ? -BEYOND : 0}
        y={-22}
        width={px + BEYOND * 2}
        height={44}
        className={styles.grip}
      />
      <rect
        x={both ? -BEYOND : 0}
        y={-4.5}
        width={px + BEYOND + (both ? BEYOND : 0)}
        height={9}
        rx={2}
        className={styles.wood}
      />
      {!both && <path d="M0 0L11 -4.5V4.5Z" className={styles.point} />}
      {!both && <ellipse cx={px + 4} cy={0} rx={7} ry={10} className={styles.thumb} />}
    </g>
  );
}

function Handle({
  stick,
  scale,
  which,
  at,
  name,
}: {
  stick: Stick;
  scale: Scale;
  which: End;
  at: Point;
  name: (id: string) => string;
}) {
  const dragging = useRef(false);
  const { landmark } = stick.ends[which];
  const label = which === "tip" ? "Tip of the stick" : "Where the stick is read to";
  const move = (event: React.PointerEvent<SVGGElement>) => {
    const box = event.currentTarget.ownerSVGElement?.getBoundingClientRect();
    if (box) {
      const there = { x: event.clientX - box.left, y: event.clientY - box.top };
      stick.carry(which, scale.toSheet(there), true);
    }
  };
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={`${label}, ${landmark ? `on ${name(landmark)}` : "in the open"}`}
      className={styles.handle}
      data-end={which}
      data-on={landmark ?? ""}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        dragging.current = true;
      }}
      onPointerMove={(event) => {
        if (dragging.current) {
          move(event);
        }
      }}
      onPointerUp={() => {
        dragging.current = false;
      }}
      onKeyDown={(event) => {
        const way = KEYS[event.key];
        if (way) {
          event.preventDefault();
          event.stopPropagation();
          const by = event.shiftKey ? FAR_MM : STEP_MM;
          const here = stick.ends[which].at;
          stick.carry(which, { x: here.x + way.x * by, y: here.y + way.y * by }, event.shiftKey);
        }
      }}
    >
      <circle cx={at.x} cy={at.y} r={22} className={styles.grip} />
      <circle cx={at.x} cy={at.y} r={which === "tip" ? 6 : 8} className={styles.ring} />
    </g>
  );
}
