// The drawing on its sheet: the photograph laid flat, where landmarks sit, and how they have to go.
import type { Bench, CheckMove, CheckRoom, KeptCheck } from "../../api/types";
import { polyline } from "../../geometry/marks";
import type { Point } from "../../geometry/scale";
import { PointBoard } from "../../shared/PointBoard";
import styles from "./DrawnSheet.module.css";

type Props = {
  bench: Bench;
  room: CheckRoom;
  /** A check of the past to look at again. */
  past: KeptCheck | null;
  move: CheckMove | null;
  chosen: string | null;
  pointing: boolean;
  looking: boolean;
  /** Landmarks are picked off the plan, to be ruled. */
  picking: boolean;
  expected: boolean;
  /** What the check found is shown. */
  judged: boolean;
  /** Marks that the room doesn't show yet. */
  sent: ReadonlyMap<string, [number, number]>;
  onMark: (x: number, y: number) => void;
  onDrag: (landmark: string, x: number, y: number) => void;
  onChoose: (landmark: string | null) => void;
};

export function DrawnSheet(props: Props) {
  const { bench, room, past, move, chosen, pointing, looking, picking, expected, judged } = props;
  const { width_mm, height_mm } = bench.sheet;
  const share = ([x, y]: readonly number[]): Point => ({
    x: (x ?? 0) / width_mm,
    y: (y ?? 0) / height_mm,
  });
  const places = new Map(
    past
      ? Object.entries(past.places)
      : [
          ...room.landmarks.flatMap((each) =>
            each.measured ? [[each.id, each.measured] as const] : [],
          ),
          ...props.sent,
        ],
  );
  const targets = new Map(
    past
      ? Object.entries(past.targets)
      : room.landmarks.map((each) => [each.id, each.target] as const),
  );
  const off = new Set(
    room.verdict?.standing.filter((each) => !each.within).map((each) => each.landmark),
  );
  const moving = new Set(move?.arrows.map((each) => each.landmark));
  const name = new Map(room.landmarks.map((each) => [each.id, each.name]));
  const named = (id: string) => id === chosen || (move && moving.size < 9 && moving.has(id));
  return (
    <PointBoard
      label={past ? `The drawing at check ${past.number}` : "The drawing"}
      image={past ? (past.image?.replace("longest=360", "longest=1400") ?? null) : flat(room)}
      tall={height_mm / width_mm}
      chosen={chosen}
      dots={[...new Map([...(picking ? targets : []), ...places])].map(([id, at]) => ({
        id,
        name: named(id) ? (name.get(id) ?? "") : "",
        at: share(at),
      }))}
      onSet={
        pointing || looking || picking
          ? (at) => pointing && props.onMark(at.x * width_mm, at.y * height_mm)
          : undefined
      }
      onDrag={
        pointing ? (id, at) => props.onDrag(id, at.x * width_mm, at.y * height_mm) : undefined
      }
      onChoose={props.onChoose}
      picking={looking || picking}
    >
      {(w, h) => {
        const px = (at: readonly number[]): Point => {
          const p = share(at);
          return { x: p.x * w, y: p.y * h };
        };
        const lines = (from: Map<string, number[] | readonly number[]>, className?: string) =>
          bench.shapes.map((shape) => {
            const points = shape.outline.flatMap((id) => {
              const at = from.get(id);
              return at ? [px(at)] : [];
            });
            const whole = points.length === shape.outline.length;
            return points.length > 1 ? (
              <path
                key={shape.id}
                className={className}
                d={polyline(points, shape.closed && whole)}
              />
            ) : null;
          });
        return (
          <>
            {!flat(room) && lines(places, styles.drawn)}
            {(expected || past) && lines(targets, styles.planned)}
            {pointing && expected && chosen && targets.get(chosen) && (
              <Ring at={px(targets.get(chosen) ?? [0, 0])} />
            )}
            {[...places].map(([id, at]) =>
              judged && off.has(id) ? <Off key={id} at={px(at)} /> : null,
            )}
            {move?.arrows.map((each) => (
              <Chalk key={each.landmark} from={px(each.start)} to={px(each.end)} done={move.done} />
            ))}
          </>
        );
      }}
    </PointBoard>
  );
}

function flat(room: CheckRoom): string | null {
  return room.photograph?.flat ?? null;
}

function Ring({ at }: { at: Point }) {
  return <circle cx={at.x} cy={at.y} r="13" className={styles.ring} />;
}

function Off({ at }: { at: Point }) {
  return <circle cx={at.x} cy={at.y} r="14" className={styles.off} />;
}

type Moves = React.CSSProperties & { "--back-x": string; "--back-y": string };

/** An arrow as chalk leaves it: from where the mark is to where it goes; the mark goes along it once. */
function Chalk({ from, to, done }: { from: Point; to: Point; done: boolean }) {
  const length = Math.hypot(to.x - from.x, to.y - from.y);
  const [ux, uy] = [(to.x - from.x) / (length || 1), (to.y - from.y) / (length || 1)];
  const head = Math.min(10, 0.5 * length);
  const barb = (side: number) =>
    `${to.x - head * (ux - side * uy * 0.6)} ${to.y - head * (uy + side * ux * 0.6)}`;
  return (
    <g className={styles.arrow} data-done={done}>
      <path d={`M${from.x} ${from.y}L${to.x} ${to.y}`} />
      <path d={`M${barb(1)}L${to.x} ${to.y}L${barb(-1)}`} />
      <circle
        key={`${from.x} ${from.y} ${to.x} ${to.y}`}
        cx={to.x}
        cy={to.y}
        r="6"
        style={{ "--back-x": `${from.x - to.x}px`, "--back-y": `${from.y - to.y}px` } as Moves}
      />
    </g>
  );
}
