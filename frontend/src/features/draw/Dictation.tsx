// The recipe as it is dictated: one thing at a time in large words, and all of it in its order.
import { Button } from "antd";
import { useEffect, useRef } from "react";
import type { Bench, Change, RecipeRoom } from "../../api/types";
import { Said } from "../../shared/Said";
import { Otherwise } from "./Otherwise";
import styles from "./Recipe.module.css";

type Props = {
  bench: Bench;
  room: RecipeRoom;
  at: number;
  onGo: (to: number) => void;
  onEasel: () => void;
  onChange: (change: Change) => Promise<boolean>;
  /** All of it is on the sheet: to its check. */
  onDrawn: () => void;
};

export const NEXT: Record<string, string> = {
  tick: "Ticked: next",
  box: "Drawn: next",
  line: "Drawn: next",
  place: "Placed: next",
  join: "Joined: next",
  look: "It is so: next",
  back: "It holds: next",
};

export function Dictation({ bench, room, at, onGo, onEasel, onChange, onDrawn }: Props) {
  const list = useRef<HTMLOListElement>(null);
  const now = room.dictation[at];
  useEffect(() => {
    const row = list.current?.children[at];
    if (row instanceof HTMLElement && list.current) {
      list.current.scrollTop = row.offsetTop - list.current.offsetTop - 60;
    }
  }, [at]);
  if (!now) {
    return (
      <p className={styles.note}>
        Nothing is held yet. Take a few readings on the bench, and the recipe grows with them.
      </p>
    );
  }
  const placing = now.kind === "place" ? room.placings[now.placed - 1] : undefined;
  return (
    <>
      <div className={styles.now} aria-live="polite">
        <small>
          {at + 1} of {room.dictation.length}
          {placing && (
            <>
              {" "}
              · within about <Said text={placing.within} />
            </>
          )}
        </small>
        <Sentence text={now.said} />
        {placing && (
          <p className={styles.note}>
            {placing.fell ? "It fell " : "By ruler: "}
            <Said text={placing.fell ?? placing.from_edges} />.
          </p>
        )}
        <div className={styles.row}>
          <Button size="large" onClick={() => onGo(at - 1)} disabled={at === 0}>
            Before
          </Button>
          {at < room.dictation.length - 1 ? (
            <Button type="primary" size="large" onClick={() => onGo(at + 1)}>
              {NEXT[now.kind] ?? "Next"}
            </Button>
          ) : (
            <Button type="primary" size="large" onClick={onDrawn}>
              All drawn: check it
            </Button>
          )}
          <Button size="large" onClick={onEasel}>
            Large
          </Button>
        </div>
      </div>
      <Otherwise bench={bench} room={room} at={at} onChange={onChange} />
      <ol className={styles.list} ref={list} aria-label="The whole recipe in its order">
        {room.dictation.map((each, i) => (
          <li key={`${each.kind} ${each.said}`} data-kind={each.kind}>
            <button type="button" aria-current={i === at} onClick={() => onGo(i)}>
              <b>{each.kind === "place" ? each.placed : ""}</b>
              <span>
                <Said text={each.said} />
              </span>
            </button>
          </li>
        ))}
      </ol>
      <p className={styles.note}>
        About {Math.round(room.steps_each)} moves for each landmark, within{" "}
        <Said text={room.within} /> on average.
        {room.loose.length > 0 && ` Not held yet: ${room.loose.join(", ")}.`} {room.agreement}
      </p>
      {room.habits.map((each) => (
        <p key={each} className={styles.note}>
          Watch for it: {each}
        </p>
      ))}
    </>
  );
}

/** The landmark first, in large letters, then where it goes. */
export function Sentence({ text }: { text: string }) {
  const [, head, rest] = /^([^:]+): (.+)$/.exec(text) ?? [null, null, text];
  return (
    <>
      {head && <h2>{head}</h2>}
      <p className={styles.said}>
        <Said text={(rest ?? "").replace(/^./, (first) => first.toUpperCase())} />
      </p>
    </>
  );
}
