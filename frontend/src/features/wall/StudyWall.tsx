// The wall: every study pinned up with its block-in as it stands.
import { App, Button, Input } from "antd";
import { useState } from "react";
import { Link } from "react-router";
import { ApiError, api } from "../../api/client";
import type { StudyCard } from "../../api/types";
import { download } from "../../shared/download";
import { FilePicker } from "../../shared/FilePicker";
import { ShortcutHelp } from "../../shared/ShortcutHelp";
import { CardPicture } from "./CardPicture";
import { FirstVisit } from "./FirstVisit";
import { ImportTrouble } from "./ImportTrouble";
import { Broken, Down } from "./OffTheWall";
import styles from "./StudyWall.module.css";
import { useWall } from "./useWall";

export function StudyWall() {
  const { message } = App.useApp();
  const [help, setHelp] = useState(false);
  const { wall, load, copy, back, remove, failed } = useWall((id) =>
    message.open({
      duration: 8,
      content: (
        <>
          Taken off the wall.{" "}
          <Button size="small" onClick={() => remove.mutate({ id, removed: false })}>
            Hang it up again
          </Button>
        </>
      ),
    }),
  );
  const studies = wall.data?.studies ?? [];
  const [sought, setSought] = useState("");
  const [order, setOrder] = useState<Order>("changed");
  const found = inOrder(
    studies.filter((each) => each.title.toLowerCase().includes(sought.trim().toLowerCase())),
    order,
  );
  return (
    <main className={styles.wall}>
      <div className={styles.head}>
        <h1>Studies</h1>
        <p>Measure with the stick; Zirkel does the arithmetic and tells what to sight next.</p>
        <Button size="large" onClick={() => setHelp(true)}>
          Words
        </Button>
        <FilePicker
          size="large"
          name="Study file"
          accept=".json,application/json"
          loading={load.isPending}
          onFile={load.mutate}
        >
          Load a study file
        </FilePicker>
        <Link to="/practice" className={styles.second}>
          Practice
        </Link>
        <Link to="/scenes" className={styles.second}>
          Sight a scene
        </Link>
        <Link to="/new" className={styles.begin}>
          New study
        </Link>
      </div>
      <FirstVisit />
      <ShortcutHelp open={help} onClose={() => setHelp(false)} shortcuts={[]} />
      {load.error instanceof ApiError && (
        <ImportTrouble problem={load.error.problem} onClose={load.reset} />
      )}
      {failed && (
        <p role="alert" className={styles.trouble}>
          This was not done. {failed.message}
        </p>
      )}
      {wall.error && (
        <div role="alert" className={styles.empty}>
          <p>{wall.error.message}</p>
          <Button size="large" onClick={() => wall.refetch()}>
            Try again
          </Button>
        </div>
      )}
      <Broken cards={wall.data?.broken ?? []} onBack={back.mutate} />
      {wall.data && studies.length === 0 && (
        <p className={styles.empty}>
          Nothing hangs here yet. Begin with <b>New study</b>: name it, choose the sheet, tap where
          the large points sit, and count your first span.
        </p>
      )}
      {studies.length > FEW && (
        <div className={styles.find}>
          <Input
            size="large"
            allowClear
            aria-label="Find a study by its title"
            placeholder="Find a study"
            value={sought}
            onChange={(event) => setSought(event.target.value)}
          />
          <select
            aria-label="In which order"
            value={order}
            onChange={(event) => setOrder(event.target.value as Order)}
          >
            <option value="changed">Last changed first</option>
            <option value="waits">By what they wait for</option>
            <option value="title">By title</option>
          </select>
        </div>
      )}
      {studies.length > 0 && found.length === 0 && (
        <p className={styles.empty}>No study is called anything like “{sought.trim()}”.</p>
      )}
      <ul className={styles.cards}>
        {found.map((each) => (
          <Card
            key={each.id}
            card={each}
            onCopy={() => copy.mutate(each.id)}
            onRemove={() => remove.mutate({ id: each.id, removed: true })}
          />
        ))}
      </ul>
      <Down cards={wall.data?.down ?? []} onHang={(id) => remove.mutate({ id, removed: false })} />
    </main>
  );
}

/** Studies from which on they are searched. */
const FEW = 3;

type Order = "changed" | "waits" | "title";

function inOrder(studies: readonly StudyCard[], order: Order): StudyCard[] {
  const sorted = [...studies];
  if (order === "waits") {
    sorted.sort((one, other) => one.waits_order - other.waits_order);
  }
  if (order === "title") {
    sorted.sort((one, other) => one.title.localeCompare(other.title));
  }
  return sorted;
}

type CardProps = { card: StudyCard; onCopy: () => void; onRemove: () => void };

function Card({ card, onCopy, onRemove }: CardProps) {
  return (
    <li className={styles.card}>
      <Link to={`/studies/${card.id}`} className={styles.open}>
        <CardPicture card={card} />
        <h2>{card.title}</h2>
      </Link>
      <p>
        {card.held === null ? "" : `${card.held} of `}
        {card.landmarks} landmarks{card.held === null ? "," : " held by"} {card.readings} readings
      </p>
      <p className={card.doubts > 0 ? styles.again : styles.waits} data-waits>
        {card.waits}
      </p>
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
          onClick={onRemove}
          aria-label={`Take down: ${card.title}`}
        >
          Take down
        </Button>
      </div>
    </li>
  );
}
