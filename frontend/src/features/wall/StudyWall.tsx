// The wall: every study pinned up with its block-in as it stands.

import { Button } from "antd";
import { useCallback, useState } from "react";
import { Link } from "react-router";
import { ApiError } from "../../api/client";
import type { StudyCard } from "../../api/types";
import { Coming } from "../../shared/Coming";
import { FilePicker } from "../../shared/FilePicker";
import { ShortcutHelp } from "../../shared/ShortcutHelp";
import { Card } from "./Card";
import { FirstVisit } from "./FirstVisit";
import { ImportTrouble } from "./ImportTrouble";
import { Broken, Down } from "./OffTheWall";
import { Shelf } from "./Shelf";
import styles from "./StudyWall.module.css";
import { Taken } from "./Taken";
import { useGrowing } from "./useGrowing";
import { useWall } from "./useWall";

export function StudyWall() {
  const [help, setHelp] = useState(false);
  const [taken, setTaken] = useState<number | null>(null);
  const { wall, load, copy, back, remove, tell, failed } = useWall(setTaken);
  const over = useCallback(() => setTaken(null), []);
  const studies = wall.data?.studies ?? [];
  const pupils = wall.data?.pupils ?? 0;
  const [sought, setSought] = useState("");
  const [order, setOrder] = useState<Order>("changed");
  const [drawer, setDrawer] = useState(false);
  const [tag, setTag] = useState<string | null>(null);
  const away = studies.filter((each) => each.put_away).length;
  const tags = [...new Set(studies.flatMap((each) => each.tags))].sort((a, b) =>
    a.localeCompare(b),
  );
  const found = inOrder(
    studies.filter(
      (each) =>
        each.put_away === (drawer && away > 0) &&
        (tag === null || each.tags.includes(tag)) &&
        says(each, sought),
    ),
    order,
  );
  const { shown, end } = useGrowing(found.length);
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
      <FirstVisit empty={wall.data !== undefined && studies.length === 0} />
      <ShortcutHelp open={help} onClose={() => setHelp(false)} shortcuts={[]} />
      {load.error instanceof ApiError && (
        <ImportTrouble problem={load.error.problem} onClose={load.reset} />
      )}
      {taken !== null && (
        <Taken
          key={taken}
          onOver={over}
          onBack={() => {
            remove.mutate({ id: taken, removed: false });
            over();
          }}
        />
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
      {wall.isPending && <Coming what="Hanging the studies…" />}
      {wall.data && studies.length === 0 && <p className={styles.empty}>Nothing hangs here yet.</p>}
      {pupils > 0 && (
        <p>
          {pupils === 1 ? "One pupil's drawing hangs" : `${pupils} pupils' drawings hang`} with{" "}
          <Link to="/lessons">their lesson</Link>.
        </p>
      )}
      {studies.length > FEW && (
        <div className={styles.find}>
          <input
            type="search"
            className="field"
            aria-label="Find a study by its title or tag"
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
          {tags.map((each) => (
            <Button
              key={each}
              size="large"
              aria-pressed={tag === each}
              type={tag === each ? "primary" : "default"}
              onClick={() => setTag(tag === each ? null : each)}
            >
              {each}
            </Button>
          ))}
          {away > 0 && (
            <Button size="large" aria-pressed={drawer} onClick={() => setDrawer(!drawer)}>
              {drawer ? "Back to the wall" : `Drawer (${away})`}
            </Button>
          )}
        </div>
      )}
      {studies.length > 0 && found.length === 0 && (
        <p className={styles.empty}>
          {sought.trim()
            ? `No study is called anything like “${sought.trim()}”.`
            : drawer
              ? "No study in the drawer has this tag."
              : "No study on the wall has this tag, or all are in the drawer."}
        </p>
      )}
      <ul className={styles.cards}>
        {found.slice(0, shown).map((each) => (
          <Card
            key={each.id}
            card={each}
            onCopy={() => copy.mutate(each.id)}
            onRemove={() => remove.mutate({ id: each.id, removed: true })}
            onTell={(change) => tell.mutate({ card: each, change })}
          />
        ))}
      </ul>
      <div ref={end} />
      <Shelf />
      <Down cards={wall.data?.down ?? []} onHang={(id) => remove.mutate({ id, removed: false })} />
    </main>
  );
}

/** Studies from which on they are searched. */
const FEW = 3;

type Order = "changed" | "waits" | "title";

function says(card: StudyCard, sought: string): boolean {
  const words = sought.trim().toLowerCase();
  return [card.title, ...card.tags].some((each) => each.toLowerCase().includes(words));
}

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
