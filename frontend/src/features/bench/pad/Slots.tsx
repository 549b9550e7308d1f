// Between which landmarks, and towards which side.
import { useEffect, useState } from "react";
import type { Bench } from "../../../api/types";
import { Arrow } from "../../../shared/Arrow";
import { useRoving } from "../../../shared/useRoving";
import { ALONGS } from "./kinds";
import { NameList } from "./NameList";
import styles from "./Slots.module.css";
import type { Pad } from "./usePad";

/** `asked` are the landmarks of what is asked for just now. */
type Props = { bench: Bench; pad: Pad; asked: readonly string[] };

export function Slots({ bench, pad, asked }: Props) {
  const [listed, setListed] = useState(false);
  const leave = () => setListed(false);
  const alongs = useRoving<HTMLFieldSetElement>();
  const sides = useRoving<HTMLFieldSetElement>();
  // Tapped on the picture instead, the names have served.
  // biome-ignore lint/correctness/useExhaustiveDependencies: what changes is when, not what
  useEffect(() => setListed(false), [pad.state.slots]);
  const { state, kind } = pad;
  const named = new Map(bench.landmarks.map((each) => [each.id, each]));
  const matching = state.letters
    ? bench.landmarks.filter((each) => each.letters.startsWith(state.letters))
    : [];
  return (
    <div className={styles.slots}>
      {kind.slots.map(([label], i) => {
        const chosen = named.get(state.slots[i] ?? "");
        const active = i === state.active;
        return (
          <button
            type="button"
            // biome-ignore lint/suspicious/noArrayIndexKey: slots are their places
            key={i}
            aria-pressed={active}
            className={styles.slot}
            aria-haspopup="dialog"
            onClick={(event) => {
              // By touch, or pressed once more, it opens the names.
              const { pointerType } = event.nativeEvent as PointerEvent;
              setListed(pointerType === "touch" || (active && event.detail > 0));
              pad.set({ active: i, letters: "" });
            }}
          >
            <small>{label}</small>
            <span className={chosen ? styles.chosen : styles.open}>
              {active && state.letters
                ? `${state.letters}…`
                : (chosen?.name ??
                  (active && state.nobody
                    ? `nothing begins with “${state.nobody}”`
                    : "tap, or type its letter"))}
            </span>
            {chosen && <kbd>{chosen.letters}</kbd>}
          </button>
        );
      })}
      {kind.measured && (
        <fieldset className={styles.sides} {...alongs}>
          <legend className="visually-hidden">Measured</legend>
          {ALONGS.map(([along, said]) => (
            <button
              type="button"
              key={along}
              aria-pressed={pad.state.along === along}
              onClick={() => pad.set({ along })}
            >
              {said}
            </button>
          ))}
        </fieldset>
      )}
      {kind.sides && !pad.several.instead && (
        <fieldset className={styles.sides} {...sides}>
          <legend className="visually-hidden">Towards</legend>
          {kind.sides.map((each) => (
            <button
              type="button"
              key={each}
              aria-pressed={pad.side === each}
              onClick={() => pad.set({ side: each })}
            >
              <Arrow side={each} /> {each}
            </button>
          ))}
        </fieldset>
      )}
      {listed && (
        <NameList
          bench={bench}
          first={asked}
          onLeave={leave}
          onChoose={(id) => {
            pad.choose(id);
            leave();
          }}
        />
      )}
      {matching.length > 0 && (
        <ul className={styles.matching} aria-label="Landmarks with these letters">
          {matching.slice(0, 6).map((each) => (
            <li key={each.id}>
              <button type="button" onClick={() => pad.choose(each.id)}>
                <kbd>{each.letters}</kbd> {each.name}
              </button>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
