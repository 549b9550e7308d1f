// Something given to a class: a scene or one's own study, and what is asked of it.
import { useQueryClient } from "@tanstack/react-query";
import { Button, Input } from "antd";
import { useState } from "react";
import { useNavigate } from "react-router";
import { ApiError } from "../../api/client";
import { makeLesson, takeLessonFile } from "../../api/lessons";
import type { LessonList, LessonShown } from "../../api/types";
import { FilePicker } from "../../shared/FilePicker";
import styles from "./Lesson.module.css";
import { TaskForm } from "./TaskForm";
import { asked, useTask } from "./useTask";

export function Give({ data }: { data: LessonList }) {
  const client = useQueryClient();
  const navigate = useNavigate();
  const { draft, set } = useTask();
  const [title, setTitle] = useState("");
  const [scene, setScene] = useState<string | null>(null);
  const [study, setStudy] = useState<number | null>(null);
  const [more, setMore] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const chosen = data.scenes.find((each) => each.name === scene) ?? data.scenes[0];
  const own = data.studies.find((each) => each.id === study);
  const given = async (making: Promise<LessonShown>) => {
    try {
      const made = await making;
      await client.invalidateQueries({ queryKey: ["lessons"] });
      navigate(`/lessons/${made.id}/wall`);
    } catch (wrong) {
      setTrouble(wrong instanceof ApiError ? wrong.sentence : String(wrong));
    }
  };
  const what = own ? { study: own.id } : { scene: chosen?.name ?? "" };
  return (
    <section aria-label="A new lesson" className={styles.make}>
      <div className={styles.scenes}>
        {data.scenes.map((each) => (
          <button
            type="button"
            key={each.name}
            aria-pressed={!own && each === chosen}
            onClick={() => {
              setScene(each.name);
              setStudy(null);
            }}
          >
            <img src={each.image} alt="" loading="lazy" />
            {each.title}
          </button>
        ))}
      </div>
      {data.studies.length > 0 && (
        <div className={styles.own}>
          Or what a study of your own is of, a photograph or a plate too:
          <select
            className="field"
            aria-label="A study of your own"
            value={study ?? ""}
            onChange={(event) => setStudy(Number(event.target.value) || null)}
          >
            <option value="">None</option>
            {data.studies.map((each) => (
              <option key={each.id} value={each.id}>
                {each.title}
              </option>
            ))}
          </select>
        </div>
      )}
      {more && <TaskForm data={data} draft={draft} set={set} />}
      <div className={styles.give}>
        <Input
          size="large"
          aria-label="What the lesson is called"
          placeholder={own?.title ?? chosen?.title}
          maxLength={120}
          value={title}
          onChange={(event) => setTitle(event.target.value)}
        />
        <Button size="large" aria-expanded={more} onClick={() => setMore(!more)}>
          {more ? "Only the essentials" : "What is asked"}
        </Button>
        <Button
          type="primary"
          size="large"
          onClick={() => given(makeLesson({ ...what, title, ...asked(draft) }))}
        >
          Give it to the class
        </Button>
        <FilePicker
          size="large"
          type="text"
          name="Lesson file"
          accept=".json,application/json"
          onFile={(file) => given(takeLessonFile(file))}
        >
          From a lesson file
        </FilePicker>
      </div>
      {trouble && (
        <p role="alert" className={styles.bad}>
          {trouble}
        </p>
      )}
    </section>
  );
}
