// Lessons: a scene is given to a class here, and each lesson's link and wall are found again.
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { Button, Input } from "antd";
import { useState } from "react";
import { Link, useNavigate } from "react-router";
import { ApiError, api } from "../../api/client";
import { queries } from "../../api/queries";
import styles from "./Lesson.module.css";

export function LessonsRoom() {
  const client = useQueryClient();
  const navigate = useNavigate();
  const { data, error } = useQuery(queries.lessons());
  const [title, setTitle] = useState("");
  const [scene, setScene] = useState<string | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  if (error) {
    return <p role="alert">{error.message}</p>;
  }
  if (!data) {
    return null;
  }
  const chosen = data.scenes.find((each) => each.name === scene) ?? data.scenes[0];
  const give = async () => {
    if (!chosen) {
      return;
    }
    try {
      const made = await api.makeLesson({ scene: chosen.name, title });
      await client.invalidateQueries({ queryKey: ["lessons"] });
      navigate(`/lessons/${made.id}/wall`);
    } catch (wrong) {
      setTrouble(wrong instanceof ApiError ? wrong.sentence : String(wrong));
    }
  };
  return (
    <main className={styles.room}>
      <h1>Lessons</h1>
      <p className={styles.lead}>
        The same scene for everybody in the room. Each joins by a link under their own name, sights
        and draws; the wall shows how near each came, and what is common.
      </p>
      <section aria-label="A new lesson" className={styles.make}>
        <div className={styles.scenes}>
          {data.scenes.map((each) => (
            <button
              type="button"
              key={each.name}
              aria-pressed={each === chosen}
              onClick={() => setScene(each.name)}
            >
              <img src={each.image} alt="" loading="lazy" />
              {each.title}
            </button>
          ))}
        </div>
        <div className={styles.give}>
          <Input
            size="large"
            aria-label="What the lesson is called"
            placeholder={chosen?.title}
            maxLength={120}
            value={title}
            onChange={(event) => setTitle(event.target.value)}
          />
          <Button type="primary" size="large" onClick={give}>
            Give it to the class
          </Button>
        </div>
        {trouble && (
          <p role="alert" className={styles.bad}>
            {trouble}
          </p>
        )}
      </section>
      {data.lessons.length > 0 && (
        <ul className={styles.list} aria-label="Lessons so far">
          {data.lessons.map((each) => (
            <li key={each.id}>
              <Link to={`/lessons/${each.id}/wall`}>
                <b>{each.title}</b>
              </Link>
              <span>
                {each.scene}, {each.pupils === 1 ? "one pupil" : `${each.pupils} pupils`}
                {each.closed ? ", closed" : ""}
              </span>
            </li>
          ))}
        </ul>
      )}
    </main>
  );
}
