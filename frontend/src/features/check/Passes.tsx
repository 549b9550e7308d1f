// How the block-in came together: every check that was kept, as a strip.
import type { Bench, CheckRoom } from "../../api/types";
import { polyline } from "../../geometry/marks";
import { Said } from "../../shared/Said";
import styles from "./Passes.module.css";

type Props = {
  bench: Bench;
  room: CheckRoom;
  past: string | null;
  onPast: (check: string | null) => void;
};

const WIDE = 92;

export function Passes({ bench, room, past, onPast }: Props) {
  const { width_mm, height_mm } = bench.sheet;
  const tall = (WIDE * height_mm) / width_mm;
  const k = WIDE / width_mm;
  return (
    <ol className={styles.strip} aria-label="Checks of this drawing">
      {room.history.map((each) => {
        const lines = (from: Record<string, number[] | readonly number[]>) =>
          bench.shapes
            .map((shape) => {
              const at = shape.outline.flatMap((id) => {
                const p = from[id];
                return p ? [{ x: (p[0] ?? 0) * k, y: (p[1] ?? 0) * k }] : [];
              });
              return at.length > 1
                ? polyline(at, shape.closed && at.length === shape.outline.length)
                : "";
            })
            .join("");
        return (
          <li key={each.id}>
            <button
              type="button"
              aria-pressed={past === each.id}
              onClick={() => onPast(past === each.id ? null : each.id)}
            >
              <svg width={WIDE} height={tall} className="on-paper" aria-hidden="true">
                {each.image ? (
                  <image href={each.image} width={WIDE} height={tall} preserveAspectRatio="none" />
                ) : (
                  <path d={lines(each.places)} className={styles.drawn} />
                )}
                <path d={lines(each.targets)} className={styles.planned} />
              </svg>
              <span>
                <b>
                  {each.number}. {each.sound ? "It stands" : <Said text={`${each.apart} off`} />}
                </b>
                <small>
                  {new Date(each.at).toLocaleDateString("en-GB", { dateStyle: "medium" })}
                </small>
                <small>
                  {each.moves.length > 0 && `${each.done} of ${each.moves.length} repaired`}
                </small>
              </span>
            </button>
          </li>
        );
      })}
    </ol>
  );
}
