// One question at a time: which is darker, by how much; and what the others contradict.
import { Button } from "antd";
import type { Change, ToneRoom } from "../../api/types";
import styles from "./Tone.module.css";
import { ANSWERS, type Comparing, STEPS } from "./useComparing";

type Props = {
  room: ToneRoom;
  comparing: Comparing;
  tell: (change: Change) => Promise<boolean>;
};

export function Compare({ room, comparing, tell }: Props) {
  const { asked } = comparing;
  const named = new Map(room.areas.map((each) => [each.id, each.name]));
  const own = room.comparisons.filter((each) => !each.computed);
  return (
    <>
      {room.doubts.map((each) => (
        <section key={each.id} className={styles.doubt} data-doubt={each.id}>
          <h3>{each.headline}</h3>
          <p>{each.detail}</p>
          <div className={styles.row}>
            {each.cycle.length > 1 && (
              <Button
                onClick={() =>
                  comparing.ask({
                    kind: "darker",
                    first: each.cycle[0] ?? "",
                    second: each.cycle[1] ?? "",
                  })
                }
              >
                Look again
              </Button>
            )}
            <Button onClick={() => tell({ type: "strike_tone", id: each.id, struck: true })}>
              Strike
            </Button>
          </div>
        </section>
      ))}
      {room.anchor && <p className={styles.note}>{room.anchor}</p>}
      {asked && (
        <section data-question={asked.kind}>
          <h2>{comparing.said ?? "Squint. Which is darker, and by how much?"}</h2>
          {asked.kind === "step" ? (
            <div className={styles.steps}>
              {STEPS.map((each) => (
                <Button key={each} size="large" onClick={() => comparing.step(each)}>
                  {each}
                </Button>
              ))}
            </div>
          ) : (
            <>
              <p className={styles.pair}>
                <b data-side="first">
                  <i>A</i> {named.get(asked.first)}
                </b>
                <b data-side="second">
                  <i>B</i> {named.get(asked.second ?? "")}
                </b>
              </p>
              <div className={styles.answers}>
                {ANSWERS.map((each, i) => (
                  <Button
                    key={`${each.way}${each.by}`}
                    size="large"
                    data-way={each.way}
                    aria-label={
                      each.way === 0 ? "Alike" : `${each.way > 0 ? "A" : "B"} ${each.label} darker`
                    }
                    onClick={() => comparing.answer(i)}
                  >
                    <i>{each.way === 0 ? "=" : each.way > 0 ? "A" : "B"}</i>
                    {each.label}
                  </Button>
                ))}
              </div>
            </>
          )}
          <Button type="text" onClick={comparing.another}>
            Another
          </Button>
        </section>
      )}
      {room.crossing.map((each) => (
        <p key={each} className={styles.bad}>
          {each}
        </p>
      ))}
      {room.loose && <p className={styles.note}>{room.loose}</p>}
      {room.areas.length > 1 && <OwnPair room={room} comparing={comparing} />}
      {room.comparisons.length > 0 && (
        <details
          className={styles.list}
          open={window.matchMedia("(min-width: 901px) and (min-height: 700px)").matches}
        >
          <summary>
            {own.length} compared by eye
            {own.length < room.comparisons.length &&
              `, ${room.comparisons.length - own.length} read off`}
          </summary>
          <ul>
            {[...room.comparisons].reverse().map((each) => (
              <li key={each.id} data-struck={each.struck} data-doubted={each.doubted}>
                <span>{each.said}</span>
                <Button
                  type="text"
                  size="middle"
                  aria-label={`${each.struck ? "Take up" : "Strike"}: ${each.said}`}
                  onClick={() => tell({ type: "strike_tone", id: each.id, struck: !each.struck })}
                >
                  {each.struck ? "Take up" : "Strike"}
                </Button>
                <Button
                  type="text"
                  size="middle"
                  aria-label={`Remove: ${each.said}`}
                  onClick={() => tell({ type: "remove_tone", id: each.id })}
                >
                  Remove
                </Button>
              </li>
            ))}
          </ul>
        </details>
      )}
    </>
  );
}

/** A pair of one's own choice, or one area against the grey card. */
function OwnPair({ room, comparing }: Pick<Props, "room" | "comparing">) {
  const first = comparing.asked?.first ?? "";
  const second = comparing.asked?.kind === "step" ? "card" : (comparing.asked?.second ?? "");
  const choose = (a: string, b: string) => {
    if (a && b && a !== b) {
      const card = b === "card";
      comparing.ask({ kind: card ? "step" : "darker", first: a, second: card ? null : b });
    }
  };
  const options = room.areas.map((each) => (
    <option key={each.id} value={each.id}>
      {each.name}
    </option>
  ));
  return (
    <div className={styles.own}>
      <select aria-label="One area" value={first} onChange={(e) => choose(e.target.value, second)}>
        {options}
      </select>
      with
      <select aria-label="The other" value={second} onChange={(e) => choose(first, e.target.value)}>
        {options}
        <option value="card">the grey card</option>
      </select>
    </div>
  );
}
