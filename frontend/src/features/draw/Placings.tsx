// The landmark to place now, in large words, and all of them in their order.
import { Button } from "antd";
import type { RecipeRoom } from "../../api/types";
import { Said } from "../../shared/Said";
import styles from "./Recipe.module.css";

type Props = { room: RecipeRoom; at: number; onGo: (to: number) => void };

export function Placings({ room, at, onGo }: Props) {
  const now = room.placings[at];
  if (!now) {
    return (
      <p className={styles.note}>
        Nothing is held yet. Take a few readings on the bench, and the recipe grows with them.
      </p>
    );
  }
  return (
    <>
      <div className={styles.now} aria-live="polite">
        <small>
          {at + 1} of {room.placings.length} · within about <Said text={now.within} />
        </small>
        <h2>{now.name}</h2>
        <ol>
          {now.steps.map((step) => (
            <li key={step.said}>
              <Said text={step.said} />
            </li>
          ))}
        </ol>
        <p className={styles.note}>
          By ruler: <Said text={now.from_edges} />.
        </p>
        <div className={styles.row}>
          <Button size="large" onClick={() => onGo(at - 1)} disabled={at === 0}>
            Before
          </Button>
          <Button
            type="primary"
            size="large"
            onClick={() => onGo(at + 1)}
            disabled={at === room.placings.length - 1}
          >
            Placed: next
          </Button>
        </div>
      </div>
      <ol className={styles.list} aria-label="All landmarks in the order of placing">
        {room.placings.map((each, i) => (
          <li key={each.landmark}>
            <button type="button" aria-current={i === at} onClick={() => onGo(i)}>
              <b>{i + 1}</b> {each.name}
              <small>{each.steps.length === 1 ? "one step" : `${each.steps.length} steps`}</small>
            </button>
          </li>
        ))}
      </ol>
      <p className={styles.note}>
        {room.steps_each.toFixed(1)} steps a landmark, on average within <Said text={room.within} />
        .{room.loose.length > 0 && ` Not held yet: ${room.loose.join(", ")}.`} {room.agreement}
      </p>
    </>
  );
}
