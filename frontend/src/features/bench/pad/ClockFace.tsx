// A clock face to take a tilt with: tap an hour, drag the hand, or step it with the arrow keys.
import { useRef } from "react";
import { handAngle, handTip } from "../../../geometry/marks";
import { asHour } from "./tilts";
import styles from "./Values.module.css";

const CENTRE = { x: 80, y: 80 };
const RADIUS = 62;
const STEP = 2.5;

type Props = { degrees: number | null; onChange: (text: string) => void };

export function ClockFace({ degrees, onChange }: Props) {
  const face = useRef<SVGSVGElement>(null);
  const point = (event: React.PointerEvent) => {
    const box = face.current?.getBoundingClientRect();
    if (box && (event.type === "pointerdown" || event.buttons)) {
      const at = {
        x: ((event.clientX - box.left) / box.width) * 160,
        y: ((event.clientY - box.top) / box.height) * 160,
      };
      onChange(asHour(Math.round(handAngle(CENTRE, at) / STEP) * STEP));
    }
  };
  const turn = (event: React.KeyboardEvent) => {
    const by = { ArrowRight: STEP, ArrowUp: STEP, ArrowLeft: -STEP, ArrowDown: -STEP }[event.key];
    if (by) {
      event.preventDefault();
      event.stopPropagation();
      onChange(asHour(((degrees ?? 0) + by + 180) % 180));
    }
  };
  const tip = handTip(CENTRE, RADIUS, degrees ?? 0);
  const tail = handTip(CENTRE, -RADIUS, degrees ?? 0);
  return (
    <svg
      ref={face}
      className={styles.clock}
      viewBox="0 0 160 160"
      role="slider"
      tabIndex={0}
      aria-label="Tilt as an hour"
      aria-valuemin={0}
      aria-valuemax={180}
      aria-valuenow={degrees ?? 0}
      aria-valuetext={degrees === null ? "none yet" : asHour(degrees)}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        point(event);
      }}
      onPointerMove={point}
      onKeyDown={turn}
    >
      <circle cx="80" cy="80" r="76" fill="var(--paper)" stroke="var(--line)" strokeWidth="1.5" />
      {Array.from({ length: 12 }, (_, i) => i + 1).map((hour) => {
        const at = handTip(CENTRE, 63, hour * 30);
        return (
          <text key={hour} x={at.x} y={at.y + 6} className={styles.hour}>
            {hour}
          </text>
        );
      })}
      {degrees !== null && (
        <path
          d={`M${tail.x} ${tail.y}L${tip.x} ${tip.y}`}
          stroke="var(--graphite)"
          strokeWidth="5"
          strokeLinecap="round"
          opacity="0.85"
        />
      )}
      <circle cx="80" cy="80" r="4" fill="var(--graphite)" />
    </svg>
  );
}
