// Joining a lesson: a name, and off to the bench.
import { useQuery } from "@tanstack/react-query";
import { Button, Input } from "antd";
import { useState } from "react";
import { useNavigate, useParams } from "react-router";
import { ApiError, api } from "../../api/client";
import { queries } from "../../api/queries";
import { TaskTold } from "../../shared/TaskTold";
import styles from "./Join.module.css";

export function JoinRoom() {
  const id = useParams().id ?? "";
  const navigate = useNavigate();
  const { data: lesson, error } = useQuery(queries.lesson(id));
  const [name, setName] = useState(() => localStorage.getItem(`pupil ${id}`) ?? "");
  const [known, setKnown] = useState<string | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  if (error) {
    return <p role="alert">{error.message}</p>;
  }
  if (!lesson) {
    return null;
  }
  const task = lesson.task;
  const plain = name.trim().replace(/\s+/g, " ");
  const again = known === plain;
  const join = async (again: boolean) => {
    try {
      const { study_id } = await api.joinLesson(id, { name, again });
      localStorage.setItem(`pupil ${id}`, plain);
      navigate(`/studies/${study_id}`);
    } catch (wrong) {
      // Whoever is here already may be the same pupil again: then it is asked, not told.
      const here = wrong instanceof ApiError && /is here already/.test(wrong.sentence);
      setKnown(here ? plain : null);
      setTrouble(here ? null : wrong instanceof ApiError ? wrong.sentence : String(wrong));
    }
  };
  return (
    <main className={styles.join}>
      {lesson.image && <img src={lesson.image} alt="What is drawn" />}
      <form
        onSubmit={(event) => {
          event.preventDefault();
          join(again);
        }}
      >
        <h1>{lesson.title}</h1>
        <p>
          Everybody here draws this. Give the name by which the class knows you: your block-in hangs
          on the teacher's wall under it.
        </p>
        {task && <TaskTold {...task} eyeFirst={task.eye_first} />}
        <label>
          <span>Your name</span>
          <Input
            size="large"
            autoFocus
            maxLength={60}
            value={name}
            onChange={(event) => setName(event.target.value)}
          />
        </label>
        {again && (
          <p role="status">{plain} is here already. Is that you, on another device or again?</p>
        )}
        {trouble && (
          <p role="alert" className={styles.bad}>
            {trouble}
          </p>
        )}
        <Button type="primary" size="large" htmlType="submit" disabled={plain === ""}>
          {again ? `Go on as ${plain}` : "Join"}
        </Button>
      </form>
    </main>
  );
}
