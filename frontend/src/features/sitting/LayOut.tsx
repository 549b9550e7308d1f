// What to lay out before one begins, ticked off as it lies there, and what to take care of.
import { Button } from "antd";
import { useState } from "react";
import type { SittingRoom as Room } from "../../api/types";
import { EditList } from "./EditList";
import own from "./LayOut.module.css";
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

/** The artist's own list, before anything stands on it. */
const OWN = { name: "my_own", title: "My own", items: [], cautions: [], own: false, fixed: false };

/** The list alone, on one page. */
function printList() {
  document.body.dataset.print = "list";
  window.addEventListener("afterprint", () => delete document.body.dataset.print, { once: true });
  window.print();
}

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
  const [editing, setEditing] = useState<string | null>(null);
  const lists = room.materials.some((each) => each.name === OWN.name)
    ? room.materials
    : [...room.materials, OWN];
  const cautions = [...new Set(room.materials.flatMap((each) => each.cautions))];
  return (
    <section className={own.layOut} aria-label="What to lay out" data-printed>
      <div className={styles.logHead}>
        <h2>Lay out</h2>
        <Button onClick={printList}>Print the list</Button>
      </div>
      {room.materials_trouble.map((each) => (
        <p key={each} role="alert" className={styles.bad}>
          {each}
        </p>
      ))}
      <div className={own.lists}>
        {lists.map((list) => (
          <fieldset key={list.name} data-materials={list.name}>
            <legend>
              {list.title}
              {!list.fixed && editing !== list.name && (
                <Button type="text" onClick={() => setEditing(list.name)}>
                  Edit <span className="visually-hidden">{list.title}</span>
                </Button>
              )}
            </legend>
            {editing === list.name && <EditList list={list} onDone={() => setEditing(null)} />}
            {(editing === list.name ? [] : list.items).map((each) => (
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
      <ul className={own.cautions}>
        {cautions.map((each) => (
          <li key={each}>{each}</li>
        ))}
      </ul>
    </section>
  );
}
