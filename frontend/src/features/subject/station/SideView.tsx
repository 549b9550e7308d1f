// The station from the side: eye height, arm and board against the subject; the eye goes up and down.
import type { Station, StationRoom } from "../../../api/types";
import { DragHandle } from "../../../shared/DragHandle";
import { Eye, metres } from "./PlanView";
import styles from "./Station.module.css";

const WIDTH = 560;
const HEIGHT = 190;

type Props = { room: StationRoom; station: Station; onMove: (part: Partial<Station>) => void };

export function SideView({ room, station, onMove }: Props) {
  const points = room.side.flatMap((each) => each.points);
  const top = Math.max(station.eye_height_mm, station.board_mm, ...points.map(([, z]) => z));
  const low = Math.min(0, station.eye_height_mm, ...points.map(([, z]) => z));
  const deep = Math.max(...points.map(([y]) => y));
  const per = Math.min(
    (WIDTH - 120) / (station.distance_mm + deep),
    (HEIGHT - 60) / Math.max(top - low, 1),
  );
  const ground = HEIGHT - 22 + low * per;
  const at = (y: number, z: number) => ({
    x: 60 + (y + station.distance_mm) * per,
    y: ground - z * per,
  });
  const eye = at(-station.distance_mm, station.eye_height_mm);
  const arm = at(-station.distance_mm + station.reach_mm, station.eye_height_mm);
  const easel = at(-station.distance_mm + station.easel_mm, station.board_mm);
  const half = Math.max(16, 300 * per);
  const lean = (station.lean_deg * Math.PI) / 180;
  return (
    <figure className={`on-paper ${styles.drawing}`}>
      <figcaption>From the side</figcaption>
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} role="group" aria-label="The station from the side">
        <path className={styles.ground} d={`M10 ${ground}H${WIDTH - 10}`} />
        {room.side.map((each) => (
          <path
            key={each.points.join()}
            className={styles.solid}
            d={`M${each.points.map(([y, z]) => `${at(y, z).x} ${at(y, z).y}`).join("L")}Z`}
          />
        ))}
        <path className={styles.sight} d={`M${eye.x} ${eye.y}H${WIDTH - 12}`} />
        <path className={styles.arm} d={`M${eye.x} ${eye.y + 10}L${arm.x} ${arm.y}`} />
        <path
          className={styles.board}
          d={`M${easel.x + half * Math.sin(lean)} ${easel.y - half * Math.cos(lean)}L${easel.x - half * Math.sin(lean)} ${easel.y + half * Math.cos(lean)}`}
        />
        <DragHandle
          at={arm}
          name="The reach of the arm"
          value={`${station.reach_mm} millimetres`}
          onDrag={(p) =>
            onMove({ reach_mm: limit(Math.round((p.x - eye.x) / per / 5) * 5, 150, 1200) })
          }
          onStep={(way) => onMove({ reach_mm: limit(station.reach_mm + way.x * 5, 150, 1200) })}
        >
          <path className={styles.stickUp} d="M0 -16V16" />
        </DragHandle>
        <DragHandle
          at={eye}
          name="The eye, from the side"
          value={`${metres(station.eye_height_mm)} high`}
          onDrag={(p) => onMove({ eye_height_mm: Math.round((ground - p.y) / per / 10) * 10 })}
          onStep={(way) => onMove({ eye_height_mm: station.eye_height_mm - way.y * 10 })}
        >
          <Eye />
        </DragHandle>
        <text x={eye.x - 6} y={Math.max(14, eye.y - 18)} className={styles.label}>
          eye {metres(station.eye_height_mm)} up · reach {station.reach_mm} mm
        </text>
      </svg>
    </figure>
  );
}

function limit(value: number, least: number, most: number): number {
  return Math.min(Math.max(value, least), most);
}
