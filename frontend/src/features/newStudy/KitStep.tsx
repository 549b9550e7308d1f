// A kit on the thumbnail: what to do with it, and what isn't seen.
import { Button } from "antd";
import styles from "./NewStudy.module.css";
import type { Draft } from "./useDraft";

type Props = {
  draft: Draft;
  picked: string | null;
  onDrop: (id: string) => void;
  onPick: (id: string | null) => void;
  /** Back to the table of kits. */
  onAnother: () => void;
};

export function KitStep({ draft, picked, onDrop, onPick, onAnother }: Props) {
  const named = draft.landmarks.find((each) => each.id === picked);
  const pulled = Object.keys(draft.pulled).length;
  return (
    <div data-kit-step>
      <p className={styles.field} role="status">
        {pulled === 0
          ? "Drag a point to where you see it on the subject: the others come along."
          : pulled === 1
            ? "Drag a second one, far from the first: the others turn and grow with it."
            : pulled === 2
              ? "A third one stretches them, if need be. Then nudge what is off, or begin."
              : "From here each point moves by itself."}
      </p>
      {named ? (
        <div className={styles.actions}>
          <b>{named.name}</b>
          <Button onClick={() => onDrop(named.id)}>Not seen: drop it</Button>
          <Button type="text" onClick={() => onPick(null)}>
            Leave it
          </Button>
        </div>
      ) : (
        <p className={styles.quiet}>Tap a point that can't be seen, to drop it.</p>
      )}
      {pulled === 0 && <Button onClick={onAnother}>Another kit</Button>}
    </div>
  );
}
