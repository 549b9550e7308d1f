// The place from above: the subject, the way to the eye, chair marks, board and light.
import type { SittingRoom as Room } from "../../api/types";
import styles from "./Place.module.css";

type Plan = NonNullable<Room["place"]["plan"]>;

/** Size of the drawing, and the room round it for words. */
const SIZE = 340;
const EDGE = 46;

export function PlacePlan({ plan }: { plan: Plan }) {
  const spots = [[0, 0], plan.eye, ...(plan.board ?? []), ...(plan.light ? [plan.light] : [])];
  const across = Math.max(...spots.map(([x]) => Math.abs(x ?? 0)), plan.reach / 3);
  const top = Math.min(...spots.map(([, y]) => y ?? 0));
  const bottom = Math.max(...spots.map(([, y]) => y ?? 0));
  const scale = (SIZE - 2 * EDGE) / Math.max(2 * across, bottom - top);
  const at = ([x, y]: readonly [number, number]): [number, number] => [
    SIZE / 2 + x * scale,
    EDGE + (y - top) * scale,
  ];
  const height = 2 * EDGE + (bottom - top) * scale + 14;
  const subject = at([0, 0]);
  const eye = at(plan.eye);
  const lamp = plan.light ? at(plan.light) : null;
  const ends = plan.board?.map(at) ?? null;
  return (
    <svg
      className={styles.plan}
      viewBox={`0 0 ${SIZE} ${height.toFixed(0)}`}
      role="img"
      aria-label={`Plan from above: subject and eye ${plan.distance} apart${plan.easel ? `, the board ${plan.easel} from the eye` : ""}${lamp ? ", and where the light comes from" : ""}`}
    >
      <line className={styles.way} x1={subject[0]} y1={subject[1]} x2={eye[0]} y2={eye[1]} />
      <circle className={styles.thing} cx={subject[0]} cy={subject[1]} r="12" />
      <text x={subject[0]} y={subject[1] - 18} textAnchor="middle">
        subject
      </text>
      <rect className={styles.thing} x={eye[0] - 13} y={eye[1] - 13} width="26" height="26" />
      {[-13, 13].map((x) =>
        [-13, 13].map((y) => (
          <path
            key={`${x} ${y}`}
            className={styles.mark}
            d={`M${eye[0] + x - 5} ${eye[1] + y}h10M${eye[0] + x} ${eye[1] + y - 5}v10`}
          />
        )),
      )}
      <text x={eye[0]} y={eye[1] + 36} textAnchor="middle">
        chair or feet
      </text>
      <text className={styles.far} x={SIZE / 2 - 8} y={(subject[1] + eye[1]) / 2} textAnchor="end">
        {plan.distance}
      </text>
      {ends && (
        <>
          <line
            className={styles.board}
            x1={ends[0]?.[0]}
            y1={ends[0]?.[1]}
            x2={ends[1]?.[0]}
            y2={ends[1]?.[1]}
          />
          <text x={Math.max(...ends.map((each) => each[0])) + 8} y={(ends[1]?.[1] ?? 0) + 5}>
            board {plan.easel}
          </text>
        </>
      )}
      {lamp && (
        <g className={styles.light}>
          <line
            x1={lamp[0]}
            y1={lamp[1]}
            x2={lamp[0] + 0.7 * (subject[0] - lamp[0])}
            y2={lamp[1] + 0.7 * (subject[1] - lamp[1])}
            markerEnd="url(#light-goes)"
          />
          <circle cx={lamp[0]} cy={lamp[1]} r="7" />
          <text x={lamp[0]} y={lamp[1] - 13} textAnchor="middle">
            light
          </text>
        </g>
      )}
      <defs>
        <marker
          id="light-goes"
          viewBox="0 0 10 10"
          refX="9"
          refY="5"
          markerWidth="9"
          markerHeight="9"
          orient="auto"
        >
          <path d="M1 1 9 5 1 9" className={styles.head} />
        </marker>
      </defs>
    </svg>
  );
}
