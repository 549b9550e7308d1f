// A study pinned to the wall: its block-in, what it waits for, its tags, and what can be done with it.

import { Button } from "antd";
import { useState } from "react";
import { Link } from "react-router";
import { api } from "../../api/client";
import type { Change, StudyCard } from "../../api/types";
import { CardPicture } from "../../shared/CardPicture";
import { download } from "../../shared/download";
import { soon } from "../../shared/soon";
import styles from "./StudyWall.module.css";

type Props = {
  card: StudyCard;
  onCopy: () => void;
  onRemove: () => void;
  onTell: (change: Change) => void;
};

export function Card({ card, onCopy, onRemove, onTell }: Props) {
  const [tagging, setTagging] = useState(false);
  const keep = (text: string) => {
    setTagging(false);
    const tags = text
      .split(",")
      .map((each) => each.trim())
      .filter((each) => each !== "");
    if (tags.join() !== card.tags.join()) {
      onTell({ type: "set_tags", tags });
    }
  };
  if (card.pending) {
    return (
      <li className={styles.card}>
        <Link to={`/studies/${card.id}`} className={styles.open}>
          <h2>{card.title}</h2>
        </Link>
        <p className={styles.waits}>Being worked out…</p>
      </li>
    );
  }
  return (
    <li className={styles.card}>
      <Link to={`/studies/${card.id}`} className={styles.open}>
        <CardPicture card={card} />
        <h2>{card.title}</h2>
      </Link>
      <Way card={card} />
      <p className={card.doubts > 0 ? styles.again : styles.waits} data-waits>
        {card.waits}
      </p>
      {card.next_at && <p data-next>Next sitting: {soon(card.next_at, new Date())}</p>}
      <p>
        {card.held === null ? "" : `${card.held} of `}
        {card.landmarks} landmarks{card.held === null ? "," : " held by"} {card.readings} readings
        {card.lines.length === 0 && card.held !== null && ", no shapes yet"}
      </p>
      {tagging ? (
        <input
          className="field"
          // biome-ignore lint/a11y/noAutofocus: it stands there because tags were asked for
          autoFocus
          aria-label={`Tags of ${card.title}, between commas`}
          placeholder="still life, evening class"
          defaultValue={card.tags.join(", ")}
          maxLength={400}
          onKeyDown={(event) => event.key === "Enter" && keep(event.currentTarget.value)}
          onBlur={(event) => keep(event.currentTarget.value)}
        />
      ) : (
        card.tags.length > 0 && <p className={styles.tags}>{card.tags.join(", ")}</p>
      )}
      <details className={styles.more}>
        <summary aria-label={`More for ${card.title}`}>More</summary>
        <div className={styles.actions}>
          <Button
            size="middle"
            onClick={() => download(api.fileAddress(card.id))}
            aria-label={`Save as file: ${card.title}`}
          >
            Save as file
          </Button>
          <Button size="middle" type="text" onClick={onCopy} aria-label={`Copy: ${card.title}`}>
            Copy
          </Button>
          <Button
            size="middle"
            type="text"
            onClick={() => setTagging(true)}
            aria-label={`Tags: ${card.title}`}
          >
            Tags
          </Button>
          <Button
            size="middle"
            type="text"
            onClick={() => onTell({ type: "put_away", away: !card.put_away })}
            aria-label={`${card.put_away ? "Back on the wall" : "Into the drawer"}: ${card.title}`}
          >
            {card.put_away ? "Back on the wall" : "Into the drawer"}
          </Button>
          <Button
            size="middle"
            type="text"
            onClick={onRemove}
            aria-label={`Take down: ${card.title}`}
          >
            Take down
          </Button>
        </div>
      </details>
    </li>
  );
}

const WAY = [
  { stage: "sight", word: "Sight" },
  { stage: "draw", word: "Draw" },
  { stage: "check", word: "Check" },
] as const;

/** How far a study has come: what is done as proven, what is under way with its share, what comes. */
function Way({ card }: { card: StudyCard }) {
  const here = WAY.findIndex((each) => each.stage === card.stage);
  const reached = here === -1 ? WAY.length : here;
  return (
    <ol className={styles.way} data-stage={card.stage}>
      {WAY.map(({ stage, word }, i) => {
        const state = i < reached ? "done" : i === reached ? "now" : "ahead";
        const share = stage === "sight" && card.held !== null && card.landmarks > 0;
        const held = share ? (100 * (card.held ?? 0)) / card.landmarks : 0;
        return (
          <li key={stage} data-state={state} aria-current={state === "now" ? "step" : undefined}>
            <i>{state === "now" && <b style={{ width: `${held}%` }} />}</i>
            {word}
            <span className="visually-hidden">
              {state === "done" ? ", done" : state === "now" ? ", under way" : ", to come"}
            </span>
          </li>
        );
      })}
    </ol>
  );
}
