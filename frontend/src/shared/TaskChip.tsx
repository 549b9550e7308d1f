// What a lesson asks, in the head of every room: how far it is, and handing it in.
import { Button } from "antd";
import { useState } from "react";
import { ApiError } from "../api/client";
import type { Bench, Change } from "../api/types";
import { Dialog } from "./Dialog";
import { TaskTold } from "./TaskTold";
import styles from "./TaskTold.module.css";
import type { StudyHandle } from "./useStudy";

export function TaskChip({ study, bench }: { study: StudyHandle; bench: Bench }) {
  const [open, setOpen] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const task = bench.task;
  if (!task) {
    return null;
  }
  const handed = task.handed_at !== null;
  const make = async (change: Change) => {
    try {
      await study.change(change);
      setTrouble(null);
    } catch (error) {
      setTrouble(error instanceof ApiError ? error.sentence : String(error));
    }
  };
  return (
    <>
      <button
        type="button"
        className={styles.chip}
        data-handed={handed}
        aria-haspopup="dialog"
        onClick={() => setOpen(true)}
      >
        {handed ? "Handed in" : "Task"}
        {!handed && <b>{task.progress}</b>}
      </button>
      <Dialog
        open={open}
        title={handed ? "Handed in" : "Your task"}
        onClose={() => setOpen(false)}
        actions={
          task.binding ? (
            <Button
              size="large"
              type={handed ? "default" : "primary"}
              onClick={() => make({ type: "hand_in", handed: !handed })}
            >
              {handed ? "Take it back to go on" : "Hand it in"}
            </Button>
          ) : (
            <Button size="large" onClick={() => make({ type: "leave_task" })}>
              Leave the task behind
            </Button>
          )
        }
      >
        <TaskTold
          asks={task.asks}
          text={task.text}
          picture={task.picture}
          kinds={task.said_kinds}
          truth={task.binding ? task.truth : undefined}
          due={task.due}
        />
        <p>
          {handed
            ? task.late
              ? "It is with your teacher; it came late."
              : "It is with your teacher."
            : `So far: ${task.progress}.${task.done ? "" : " It may be handed in as it is."}`}
        </p>
        {trouble && <p role="alert">{trouble}</p>}
      </Dialog>
    </>
  );
}
