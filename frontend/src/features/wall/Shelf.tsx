// The whole shelf as one file, out and in again; and what is copied by itself.
import { useQueryClient } from "@tanstack/react-query";
import { Button } from "antd";
import { useState } from "react";
import { ApiError, api } from "../../api/client";
import type { ShelfTaken } from "../../api/types";
import { download } from "../../shared/download";
import { FilePicker } from "../../shared/FilePicker";
import styles from "./StudyWall.module.css";

export function Shelf() {
  const client = useQueryClient();
  const [busy, setBusy] = useState(false);
  const [taken, setTaken] = useState<ShelfTaken | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const take = async (file: File) => {
    setBusy(true);
    setTaken(null);
    setTrouble(null);
    try {
      setTaken(await api.unpackShelf(file));
      await client.invalidateQueries();
    } catch (error) {
      setTrouble(error instanceof ApiError ? error.problem.detail : String(error));
    } finally {
      setBusy(false);
    }
  };
  return (
    <details className={styles.down}>
      <summary>The whole shelf</summary>
      <p>
        All studies with their pictures, added scenes, kits, records and lessons, as one file to
        keep elsewhere or to take to another machine. Taken in twice, nothing is there twice.
      </p>
      <div className={styles.actions}>
        <Button size="large" onClick={() => download(api.shelfAddress)}>
          Save the whole shelf
        </Button>
        <FilePicker
          size="large"
          name="Shelf"
          accept=".zip,application/zip"
          loading={busy}
          onFile={take}
        >
          Take a shelf in
        </FilePicker>
      </div>
      {taken && (
        <p role="status">
          New: {taken.studies} studies, {taken.pictures} pictures, {taken.scenes} scenes,{" "}
          {taken.own} own files, {taken.trials} trials, {taken.lessons} lessons. Here already:{" "}
          {taken.known}.
        </p>
      )}
      {taken?.trouble?.map((each) => (
        <p key={each} role="alert">
          Not taken: {each}
        </p>
      ))}
      {trouble && <p role="alert">{trouble}</p>}
      <p>
        Besides, the database is copied once a day and before it is changed by a newer Zirkel; the
        last seven copies are kept. <code>zirkel restore</code> lists them and puts one back.
      </p>
    </details>
  );
}
