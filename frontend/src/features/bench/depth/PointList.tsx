// The points asked for, each by its own list, for hands that don't tap the picture.
import type { Bench } from "../../../api/types";
import styles from "./Depth.module.css";
import type { Points } from "./usePoints";

type Props = { bench: Bench; asked: readonly string[]; points: Points; optional?: number };

export function PointList({ bench, asked, points, optional = 0 }: Props) {
  return (
    <div className={styles.points}>
      {asked.map((label, i) => (
        <label key={label} data-next={points.next === i}>
          <span>
            {label}
            {i >= asked.length - optional && " (if it is seen)"}
          </span>
          <select
            aria-label={label}
            value={points.values[i] ?? ""}
            onChange={(event) => points.put(i, event.target.value)}
          >
            <option value="">tap it, or choose…</option>
            {bench.landmarks.map((each) => (
              <option key={each.id} value={each.id}>
                {each.name}
              </option>
            ))}
          </select>
        </label>
      ))}
    </div>
  );
}
