// Shapes: landmarks joined in order by straight lines.
import { Button, Input } from "antd";
import { useState } from "react";
import styles from "./NewStudy.module.css";
import { freeId, type StepProps } from "./useDraft";

export function ShapeStep({
  draft,
  set,
  joining,
  setJoining,
}: StepProps & { joining: string[]; setJoining: (ids: string[]) => void }) {
  const [name, setName] = useState("");
  const named = new Map(draft.landmarks.map((each) => [each.id, each.name]));
  const finish = (closed: boolean) => {
    const said = name.trim() || `Shape ${draft.shapes.length + 1}`;
    const id = freeId(
      said,
      draft.shapes.map((each) => each.id),
    );
    set({ shapes: [...draft.shapes, { id, name: said, outline: joining, closed }] });
    setName("");
    setJoining([]);
  };
  return (
    <>
      <label className={styles.field}>
        Name of the shape
        <Input
          value={name}
          size="large"
          placeholder="Watering can"
          maxLength={200}
          onChange={(e) => setName(e.target.value)}
        />
      </label>
      <p className={styles.quiet}>
        {joining.length
          ? joining.map((id) => named.get(id)).join(" – ")
          : "Nothing joined yet: tap landmarks in order, or choose them here."}
      </p>
      <div className={styles.chips}>
        {draft.landmarks.map((each) => (
          <button type="button" key={each.id} onClick={() => setJoining([...joining, each.id])}>
            {each.name}
          </button>
        ))}
      </div>
      <div className={styles.actions}>
        <Button disabled={joining.length < 3} onClick={() => finish(true)}>
          Close it
        </Button>
        <Button disabled={joining.length < 2} onClick={() => finish(false)}>
          Leave it open
        </Button>
        <Button
          type="text"
          disabled={!joining.length}
          onClick={() => setJoining(joining.slice(0, -1))}
        >
          One back
        </Button>
      </div>
      <ul className={styles.list}>
        {draft.shapes.map((each) => (
          <li key={each.id}>
            {each.name}
            <Button
              size="middle"
              type="text"
              onClick={() => set({ shapes: draft.shapes.filter((s) => s.id !== each.id) })}
              aria-label={`Remove shape ${each.name}`}
            >
              Remove
            </Button>
          </li>
        ))}
      </ul>
    </>
  );
}
