// A clock face to take a tilt with: tap an hour, drag the hand, or step it with the arrow keys.
import { useRef } from "react";
import { handAngle, handTip } from "../../../geometry/marks";
import { asHour } from "./tilts";
import styles from "./Values.module.css";

const CENTRE = { x: 80, y: 80 };
const RADIUS = 62;
const STEP = 2.5;

type Props = { degrees: number | null; onChange: (text: string) => void };

/** By how much the hand turns for how far one drags round the face: a thumb is not that exact. */
const FINE = 0.5;

export function ClockFace({ degrees, onChange }: Props) {
  const face = useRef<SVGSVGElement>(null);
  const held = useRef<{ at: number; hand: number; moved: boolean } | null>(null);
  const angle = (event: React.PointerEvent) => {
    const box = face.current?.getBoundingClientRect();
    return box
      ? handAngle(CENTRE, {
          x: ((event.clientX - box.left) / box.width) * 160,
          y: ((event.clientY - box.top) / box.height) * 160,
        })
      : 0;
  };
  const put = (to: number) => onChange(asHour((Math.round(to / STEP) * STEP + 360) % 180));
  const step = (by: number) => put((degrees ?? 0) + by);
  /** Tapped, the hand goes there; dragged from anywhere, it turns along, half as fast. */
  const drag = (event: React.PointerEvent) => {
    const from = held.current;
    if (!from) {
      return;
    }
    const turned = ((angle(event) - from.at + 270) % 180) - 90;
    if (from.moved || Math.abs(turned) > 2 * STEP) {
      from.moved = true;
      put(from.hand + turned * FINE);
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
    <div className={styles.face}>
      <button type="button" aria-label="A little back" onClick={() => step(-STEP)}>
        −
      </button>
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
          const at = angle(event);
          if (degrees === null) {
            put(at);
          }
          held.current = { at, hand: degrees ?? at, moved: degrees === null };
        }}
        onPointerMove={drag}
        onPointerUp={(event) => {
          if (held.current && !held.current.moved) {
            put(angle(event));
          }
          held.current = null;
        }}
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
      <button type="button" aria-label="A little on" onClick={() => step(STEP)}>
        +
      </button>
    </div>
  );
}
