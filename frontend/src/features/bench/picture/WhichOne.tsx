// A thumb fell between several landmarks: which was meant.
import type { Drawn } from "./usePicture";
import styles from "./WhichOne.module.css";

type Props = { asked: readonly Drawn[]; onChoose: (id: string) => void; onLeave: () => void };

export function WhichOne({ asked, onChoose, onLeave }: Props) {
  if (!asked.length) {
    return null;
  }
  return (
    <fieldset className={styles.which} aria-label="Which one?">
      {asked.map(({ landmark }) => (
        <button type="button" key={landmark.id} onClick={() => onChoose(landmark.id)}>
          {landmark.name}
        </button>
      ))}
      <button type="button" onClick={onLeave}>
        None of these
      </button>
    </fieldset>
  );
}
