// The wall: every study pinned up with its block-in as it stands.
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { App, Button } from "antd";
import { Link, useNavigate } from "react-router";
import { ApiError, api } from "../../api/client";
import { queries } from "../../api/queries";
import type { StudyCard } from "../../api/types";
import { download } from "../../shared/download";
import { FilePicker } from "../../shared/FilePicker";
import { CardPicture } from "./CardPicture";
import { ImportTrouble } from "./ImportTrouble";
import styles from "./StudyWall.module.css";

export function StudyWall() {
  const client = useQueryClient();
  const navigate = useNavigate();
  const { message } = App.useApp();
  const wall = useQuery(queries.wall());
  const load = useMutation({
    mutationFn: (file: File) => api.importFile(file),
    onSuccess: (bench) => {
      client.setQueryData(["bench", bench.id], bench);
      client.invalidateQueries({ queryKey: ["wall"] });
      navigate(`/studies/${bench.id}`);
    },
  });
  const remove = useMutation({
    mutationFn: ({ id, removed }: { id: number; removed: boolean }) => api.remove(id, removed),
    onSuccess: (_, { id, removed }) => {
      client.invalidateQueries({ queryKey: ["wall"] });
      if (removed) {
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
        });
      }
    },
  });
  const studies = wall.data?.studies ?? [];
  return (
    <main className={styles.wall}>
      <div className={styles.head}>
        <h1>Studies</h1>
        <p>Measure with the stick; Zirkel does the arithmetic and tells what to sight next.</p>
        <FilePicker
          size="large"
          name="Study file"
          accept=".json,application/json"
          loading={load.isPending}
          onFile={load.mutate}
        >
          Load a study file
        </FilePicker>
        <Link to="/scenes" className={styles.second}>
          Sight a scene
        </Link>
        <Link to="/new" className={styles.begin}>
          New study
        </Link>
      </div>
      {load.error instanceof ApiError && (
        <ImportTrouble problem={load.error.problem} onClose={load.reset} />
      )}
      {wall.error && (
        <p role="alert" className={styles.empty}>
          {wall.error.message}
        </p>
      )}
      {wall.data && studies.length === 0 && (
        <p className={styles.empty}>
          Nothing hangs here yet. Begin with <b>New study</b>: name it, choose the sheet, tap where
          the large points sit, and count your first span.
        </p>
      )}
      <ul className={styles.cards}>
        {studies.map((each) => (
          <Card
            key={each.id}
            card={each}
            onRemove={() => remove.mutate({ id: each.id, removed: true })}
          />
        ))}
      </ul>
    </main>
  );
}

function Card({ card, onRemove }: { card: StudyCard; onRemove: () => void }) {
  return (
    <li className={styles.card}>
      <Link to={`/studies/${card.id}`} className={styles.open}>
        <CardPicture card={card} />
        <h2>{card.title}</h2>
      </Link>
      <p>
        {card.held} of {card.landmarks} landmarks held by {card.readings} readings
        {card.doubts > 0 && <b> · {card.doubts} to look at again</b>}
      </p>
      <div className={styles.actions}>
        <Button
          size="middle"
          onClick={() => download(api.fileAddress(card.id))}
          aria-label={`Save ${card.title} as a file`}
        >
          Save as file
        </Button>
        <Button
          size="middle"
          type="text"
          onClick={onRemove}
          aria-label={`Take ${card.title} off the wall`}
        >
          Take down
        </Button>
      </div>
    </li>
  );
}
