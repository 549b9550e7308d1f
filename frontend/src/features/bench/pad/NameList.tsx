// All landmarks by name, those of the prompt and the last readings first, to be tapped.
import { useState } from "react";
import type { Bench } from "../../../api/types";
import styles from "./NameList.module.css";

type Props = {
  bench: Bench;
  /** Asked for just now: they stand first. */
  first: readonly string[];
  onChoose: (id: string) => void;
  onLeave: () => void;
};

const RECENT = 3;

export function NameList({ bench, first, onChoose, onLeave }: Props) {
  const [typed, setTyped] = useState("");
  const recent = bench.readings.slice(-RECENT).flatMap((each) => each.landmarks);
  const order = [...new Set([...first, ...recent.reverse(), ...bench.landmarks.map((e) => e.id)])];
  const wanted = typed.trim().toLowerCase();
  const shown = order.flatMap((id) => {
    const found = bench.landmarks.find((each) => each.id === id);
    return found && (found.name.toLowerCase().includes(wanted) || found.letters === wanted)
      ? [found]
      : [];
  });
  return (
    <section
      className={styles.names}
      aria-label="Landmarks by name"
      onKeyDown={(event) => {
        event.stopPropagation();
        if (event.key === "Escape") {
          onLeave();
        } else if (event.key === "Enter" && shown[0]) {
          onChoose(shown[0].id);
        }
      }}
    >
      <div>
        <input
          type="search"
          aria-label="Letters of a name"
          placeholder="Letters"
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
        <button type="button" onClick={onLeave}>
          Close
        </button>
      </div>
      <ul>
        {shown.map((each) => (
          <li key={each.id}>
            <button type="button" onClick={() => onChoose(each.id)}>
              {each.name} <small>{each.letters}</small>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
