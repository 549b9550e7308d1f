// Landmarks of one's own: each tapped, then named.
import { Button, Input } from "antd";
import { useState } from "react";
import type { Point } from "../../geometry/scale";
import { Choice } from "../../shared/Choice";
import styles from "./NewStudy.module.css";
import { freeId, rounded, type StepProps, without } from "./useDraft";

type Tier = 1 | 2 | 3;

export function LandmarkStep({
  draft,
  set,
  pending,
  setPending,
}: StepProps & { pending: Point | null; setPending: (p: Point | null) => void }) {
  const [name, setName] = useState("");
  const [tier, setTier] = useState<Tier>(1);
  const add = () => {
    if (pending && name.trim()) {
      const id = freeId(
        name,
        draft.landmarks.map((each) => each.id),
      );
      const rough: [number, number] = [rounded(pending.x), rounded(pending.y)];
      set({ landmarks: [...draft.landmarks, { id, name: name.trim(), tier, rough }] });
      setName("");
      setPending(null);
    }
  };
  const remove = (id: string) => set(without(draft, id));
  return (
    <>
      {pending ? (
        <>
          <label className={styles.field}>
            What is it called?
            <Input
              autoFocus
              key={`${pending.x} ${pending.y}`}
              size="large"
              value={name}
              maxLength={200}
              placeholder="Can, top of rim"
              onChange={(event) => setName(event.target.value)}
              onPressEnter={add}
            />
          </label>
          <Choice
            block
            value={tier}
            onChange={setTier}
            options={[
              { label: "Large shape", value: 1 as Tier },
              { label: "Middle", value: 2 as Tier },
              { label: "Detail", value: 3 as Tier },
            ]}
          />
          <Button onClick={add} disabled={!name.trim()}>
            Add this landmark
          </Button>
        </>
      ) : (
        <p className={styles.quiet}>
          Choose points that you can find again: corners, tips, where a rim ends. Large shapes
          first; more can be added at any time.
        </p>
      )}
      <ul className={styles.list}>
        {[...draft.landmarks].reverse().map((each) => (
          <li key={each.id}>
            {each.name}
            <Button
              size="middle"
              type="text"
              onClick={() => remove(each.id)}
              aria-label={`Remove ${each.name}`}
            >
              Remove
            </Button>
          </li>
        ))}
      </ul>
    </>
  );
}
