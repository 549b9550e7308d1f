// What hangs beside the cards: studies that can't be read, and those that were taken down.
import { Button } from "antd";
import { api } from "../../api/client";
import type { BrokenCard, DownCard } from "../../api/types";
import { download } from "../../shared/download";
import styles from "./StudyWall.module.css";

export function Broken({
  cards,
  onBack,
}: {
  cards: BrokenCard[];
  onBack: (c: BrokenCard) => void;
}) {
  return cards.map((each) => (
    <section key={each.id} className={styles.trouble} aria-label={`${each.title} can't be read`}>
      <h2>“{each.title}” can't be read</h2>
      <p>
        <code>{each.why}</code>
      </p>
      <div className={styles.actions}>
        <Button onClick={() => download(api.fileAddress(each.id))}>Save its file as it is</Button>
        {each.undo && <Button onClick={() => onBack(each)}>Undo “{each.undo}”</Button>}
      </div>
    </section>
  ));
}

export function Down({ cards, onHang }: { cards: DownCard[]; onHang: (id: number) => void }) {
  if (cards.length === 0) {
    return null;
  }
  return (
    <details className={styles.down}>
      <summary>Taken down ({cards.length})</summary>
      <ul>
        {cards.map((each) => (
          <li key={each.id}>
            <span>
              {each.title}{" "}
              <small>
                {new Date(`${each.at}Z`).toLocaleDateString("en-GB", { dateStyle: "medium" })}
              </small>
            </span>
            <Button onClick={() => onHang(each.id)} aria-label={`Hang it up again: ${each.title}`}>
              Hang it up again
            </Button>
          </li>
        ))}
      </ul>
    </details>
  );
}
