// Scenes to sight where nothing stands before the screen: choose one, or add a scene file.
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Button } from "antd";
import { useRef } from "react";
import { ApiError, api } from "../../api/client";
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
  const picker = useRef<HTMLInputElement>(null);
  const scenes = useQuery({ queryKey: ["scenes"], queryFn: api.scenes, staleTime: 60_000 });
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
        <Button size="large" onClick={() => picker.current?.click()} loading={add.isPending}>
          Add a scene file
        </Button>
        <input
          ref={picker}
          type="file"
          accept=".json,application/json"
          className="visually-hidden"
          aria-label="Scene file"
          tabIndex={-1}
          onChange={(event) => {
            const file = event.target.files?.[0];
            event.target.value = "";
            if (file) {
              add.mutate(file);
            }
          }}
        />
      </div>
      {add.error && (
        <p role="alert" className={styles.bad}>
          {add.error instanceof ApiError ? add.error.problem.detail : add.error.message}
        </p>
      )}
      {scenes.isPending && <p role="status">Drawing the scenes…</p>}
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
