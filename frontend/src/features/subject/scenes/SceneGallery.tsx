// Scenes to sight where nothing stands before the screen: choose one, or add a scene file.

import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { ApiError, api } from "../../../api/client";
import { queries } from "../../../api/queries";
import { Coming } from "../../../shared/Coming";
import { FilePicker } from "../../../shared/FilePicker";
import styles from "./SceneGallery.module.css";

type Props = {
  title: string;
  onChoose: (scene: string) => void;
  busy: boolean;
  /** What else can be sighted. */
  children?: React.ReactNode;
};

export function SceneGallery({ title, onChoose, busy, children }: Props) {
  const client = useQueryClient();
  const scenes = useQuery(queries.scenes());
  const add = useMutation({
    mutationFn: (file: File) => api.addScene(file),
    onSuccess: () => client.invalidateQueries({ queryKey: ["scenes"] }),
  });
  return (
    <section className={styles.gallery}>
      <div className={styles.head}>
        <h1>{title}</h1>
        <p>
          A stand-in for a live subject: it keeps still, and knows its own truth. Sight it with the
          stick on screen, then reveal how near you came.
        </p>
        {children}
        <FilePicker
          size="large"
          name="Scene file"
          accept=".json,application/json"
          loading={add.isPending}
          onFile={add.mutate}
        >
          Add a scene file
        </FilePicker>
      </div>
      {add.error && (
        <p role="alert" className={styles.bad}>
          {add.error instanceof ApiError ? add.error.problem.detail : add.error.message}
        </p>
      )}
      {scenes.isPending && <Coming what="Drawing the scenes…" />}
      <ul className={styles.cards}>
        {scenes.data?.scenes.map((each) => (
          <li key={each.name}>
            <button type="button" disabled={busy} onClick={() => onChoose(each.name)}>
              <img src={each.image} alt="" loading="lazy" />
              <b>{each.title}</b>
              <span>
                {each.work} · {each.landmarks} landmarks
              </span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
