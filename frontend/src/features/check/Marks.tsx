// Which landmark is marked next on the photograph, and all of them by name.
import { Button, Switch } from "antd";
import type { Change, CheckRoom } from "../../api/types";
import styles from "./Check.module.css";
import type { Marking } from "./useMarking";

type Props = {
  room: CheckRoom;
  marking: Marking;
  fresh: boolean;
  expected: boolean;
  onExpected: (on: boolean) => void;
  tell: (change: Change, done?: string) => Promise<boolean>;
};

export function Marks({ room, marking, fresh, expected, onExpected, tell }: Props) {
  const { chosen, setChosen, slip } = marking;
  const here = room.landmarks.find((each) => each.id === chosen);
  const isMarked = (id: string) =>
    marking.sent.has(id) || room.landmarks.some((each) => each.id === id && each.marked);
  return (
    <>
      <p className={styles.large} aria-live="polite">
        {here
          ? `Tap where ${here.name} is drawn.`
          : "Drag a mark to mend it, or choose a landmark, then tap where it is drawn."}
      </p>
      {slip && (
        <div role="alert" className={styles.suspect}>
          <p>Same place as {slip.other}: a slip?</p>
          <div className={styles.row}>
            <Button size="large" onClick={marking.giveWay}>
              A slip: again
            </Button>
            <Button size="large" onClick={() => marking.insist(fresh)}>
              Both lie there
            </Button>
          </div>
        </div>
      )}
      {here && !slip && (
        <div className={styles.row}>
          <Button size="large" onClick={() => marking.skip(fresh)}>
            Hidden or not drawn: skip <kbd>s</kbd>
          </Button>
          {isMarked(here.id) && (
            <Button
              size="large"
              onClick={() => tell({ type: "mark_drawn", landmark: here.id, at: null })}
            >
              Take its mark back
            </Button>
          )}
        </div>
      )}
      <label className={styles.switch}>
        <Switch checked={expected} onChange={onExpected} /> Show where it should be
      </label>
      <ul className={styles.landmarks} aria-label="Landmarks">
        {room.landmarks.map((each) => (
          <li key={each.id}>
            <button
              type="button"
              aria-pressed={each.id === chosen}
              data-marked={isMarked(each.id)}
              onClick={() => setChosen(each.id === chosen ? null : each.id)}
            >
              {isMarked(each.id) ? "✓ " : ""}
              {each.name}
            </button>
          </li>
        ))}
      </ul>
    </>
  );
}
