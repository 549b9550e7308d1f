// The easel from above: subject, eye, reach and board; the eye is dragged about the subject.
import type { Station, StationRoom } from "../../../api/types";
import { DragHandle } from "../../../shared/DragHandle";
import styles from "./Station.module.css";

const WIDTH = 560;
const HEIGHT = 250;

type Props = { room: StationRoom; station: Station; onMove: (part: Partial<Station>) => void };

export function PlanView({ room, station, onMove }: Props) {
  const far = Math.max(station.distance_mm * 1.18, room.largest_mm);
  const per = Math.min((HEIGHT - 70) / (far + room.largest_mm * 0.6), (WIDTH - 40) / (far * 1.6));
  const middle = { x: WIDTH / 2, y: 30 + room.largest_mm * 0.5 * per };
  const at = (x: number, y: number) => ({ x: middle.x + x * per, y: middle.y - y * per });
  const a = (station.direction_deg * Math.PI) / 180;
  const back = { x: -Math.sin(a), y: -Math.cos(a) };
  const on = (mm: number) =>
    at(back.x * (station.distance_mm - mm), back.y * (station.distance_mm - mm));
  const eye = on(0);
  const stick = on(Math.min(station.reach_mm, station.distance_mm * 0.9));
  const board = on(Math.min(station.easel_mm, station.distance_mm * 0.9));
  const side = { x: -back.y, y: back.x };
  const boardHalf = Math.max(14, 200 * per);
  const toStation = (x: number, y: number): Partial<Station> => {
    const across = (x - middle.x) / per;
    const away = (middle.y - y) / per;
    const distance = Math.hypot(across, away);
    return {
      distance_mm: round(Math.min(Math.max(distance, 250), 400_000), distance > 8000 ? 100 : 10),
      direction_deg: round((Math.atan2(-across, -away) * 180) / Math.PI, 1),
    };
  };
  return (
    <figure className={`on-paper ${styles.drawing}`}>
      <figcaption>From above</figcaption>
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} role="group" aria-label="The station from above">
        {room.plan.map((each) => (
          <path
            key={each.points.join()}
            className={styles.solid}
            d={`M${each.points.map(([x, y]) => `${at(x, y).x} ${at(x, y).y}`).join("L")}Z`}
          />
        ))}
        <path className={styles.sight} d={`M${eye.x} ${eye.y}L${middle.x} ${middle.y}`} />
        <Arc per={per} middle={middle} radius={room.reckoned.nearest_good_mm} />
        <path
          className={styles.board}
          d={`M${board.x + side.x * boardHalf} ${board.y - side.y * boardHalf}L${board.x - side.x * boardHalf} ${board.y + side.y * boardHalf}`}
        />
        <circle className={styles.stick} cx={stick.x} cy={stick.y} r="4" />
        <text x={eye.x + 16} y={eye.y + 5} className={styles.label}>
          {metres(station.distance_mm)}, {Math.abs(station.direction_deg)}°{" "}
          {station.direction_deg > 0
            ? "from the left"
            : station.direction_deg < 0
              ? "from the right"
              : "straight on"}
        </text>
        <DragHandle
          at={eye}
          name="The eye, from above"
          value={`${metres(station.distance_mm)} away, ${station.direction_deg} degrees round`}
          onDrag={(p) => onMove(toStation(p.x, p.y))}
          onStep={(way) =>
            onMove({
              distance_mm: Math.max(
                250,
                station.distance_mm + way.y * round(station.distance_mm * 0.02, 10),
              ),
              direction_deg: clampTurn(station.direction_deg - way.x),
            })
          }
        >
          <Eye />
        </DragHandle>
      </svg>
    </figure>
  );
}

/** The ring outside which the subject is not distorted. */
function Arc({
  per,
  middle,
  radius,
}: {
  per: number;
  middle: { x: number; y: number };
  radius: number;
}) {
  return (
    <circle className={styles.near} cx={middle.x} cy={middle.y} r={Math.max(radius * per, 1)} />
  );
}

export function Eye() {
  return (
    <g className={styles.eye}>
      <circle r="9" />
      <circle r="3" />
    </g>
  );
}

export function metres(mm: number): string {
  return mm < 10_000 ? `${(mm / 1000).toFixed(2)} m` : `${(mm / 1000).toFixed(1)} m`;
}

function clampTurn(degrees: number): number {
  return ((((degrees + 180) % 360) + 360) % 360) - 180;
}

function round(value: number, to: number): number {
  return Math.round(value / to) * to;
}
