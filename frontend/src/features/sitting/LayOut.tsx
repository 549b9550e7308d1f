// What to lay out before one begins, ticked off as it lies there, and what to take care of.
import { useState } from "react";
import type { SittingRoom as Room } from "../../api/types";
import styles from "./Sitting.module.css";

type Props = { room: Room; study: number };

const STAGES: Record<string, string> = {
  frame: "to frame",
  sight: "to sight",
  draw: "to draw",
  check: "to check",
  tone: "for tone",
  clean: "to clean up",
};

export function LayOut({ room, study }: Props) {
  const name = `laid out ${study}`;
  const [laid, setLaid] = useState<ReadonlySet<string>>(
    () => new Set(JSON.parse(sessionStorage.getItem(name) ?? "[]") as string[]),
  );
  const tick = (what: string) => {
    const next = new Set(laid);
    if (!next.delete(what)) {
      next.add(what);
    }
    sessionStorage.setItem(name, JSON.stringify([...next]));
    setLaid(next);
  };
  const cautions = [...new Set(room.materials.flatMap((each) => each.cautions))];
  return (
    <section className={styles.layOut} aria-label="What to lay out">
      <h2>Lay out</h2>
      {room.materials_trouble.map((each) => (
        <p key={each} role="alert" className={styles.bad}>
          {each}
        </p>
      ))}
      <div className={styles.lists}>
        {room.materials.map((list) => (
          <fieldset key={list.name} data-materials={list.name}>
            <legend>{list.title}</legend>
            {list.items.map((each) => (
              <label key={each.what}>
                <input
                  type="checkbox"
                  checked={laid.has(each.what)}
                  onChange={() => tick(each.what)}
                />
                <span>
                  {each.what}
                  {each.stage && <small> {STAGES[each.stage]}</small>}
                </span>
              </label>
            ))}
          </fieldset>
        ))}
      </div>
      <h2>Take care</h2>
      <ul className={styles.cautions}>
        {cautions.map((each) => (
          <li key={each}>{each}</li>
        ))}
      </ul>
    </section>
  );
}
