// What has been laid together so far, each to be changed or left out.
import type { Bench } from "../../../api/types";
import { Said } from "../../../shared/Said";
import styles from "./Several.module.css";
import { shortly, tapTells } from "./several";
import type { Pad } from "./usePad";

export function Several({ bench, pad }: { bench: Bench; pad: Pad }) {
  const { state, kind, several } = pad;
  const name = (id: string) => bench.landmarks.find((each) => each.id === id)?.name ?? id;
  const rows = state.rows ?? [];
  if (!rows.length) {
    return <p className={styles.none}>{firstWords(pad)}</p>;
  }
  return (
    <ul className={styles.rows} aria-label="Readings laid together">
      {rows.map((row) => (
        <li key={row.to} data-row={row.to}>
          <button type="button" className={styles.row} onClick={() => several.turn(row.to)}>
            {name(row.to)} <b>{<Said text={shortly(kind, row)} />}</b>
          </button>
          {tapTells(kind) && (
            <button
              type="button"
              aria-label={`${name(row.to)}: how far beside it`}
              onClick={() => several.take(row.to)}
            >
              …
            </button>
          )}
          <button
            type="button"
            aria-label={`Leave out ${name(row.to)}`}
            onClick={() => several.leave(row.to)}
          >
            ×
          </button>
        </li>
      ))}
    </ul>
  );
}

function firstWords({ state, kind }: Pad): string {
  if (!state.slots[0]) {
    return "Which landmark do they all start from?";
  }
  return tapTells(kind)
    ? "Tap all that lie on the line. Tapped again: on the one side of it, on the other, left out."
    : "Choose a landmark, give its value, Enter; then the next one.";
}
