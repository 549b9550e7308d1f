// A list of what to lay out written anew, one thing a line.
import { useQueryClient } from "@tanstack/react-query";
import { Button } from "antd";
import { useState } from "react";
import { ApiError } from "../../api/client";
import { keepList } from "../../api/lists";
import type { SittingRoom as Room } from "../../api/types";
import { askAgain } from "./askAgain";
import own from "./LayOut.module.css";
import styles from "./Sitting.module.css";

type Props = { list: Room["materials"][number]; onDone: () => void };

export function EditList({ list, onDone }: Props) {
  const client = useQueryClient();
  const [text, setText] = useState(list.items.map((each) => each.what).join("\n"));
  const [trouble, setTrouble] = useState<string | null>(null);
  const keep = async (lines: string) => {
    const stage = new Map(list.items.map((each) => [each.what, each.stage]));
    const things = lines.split("\n").map((each) => each.trim());
    try {
      await keepList(
        list.name,
        things.filter(Boolean).map((what) => ({ what, stage: stage.get(what) ?? "" })),
      );
      await askAgain(client);
      onDone();
    } catch (error) {
      setTrouble(error instanceof ApiError ? error.sentence : String(error));
    }
  };
  return (
    <div className={own.editList}>
      <textarea
        className="field"
        aria-label={`${list.title}, one thing a line`}
        rows={Math.max(text.split("\n").length + 1, 4)}
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      {trouble && (
        <p role="alert" className={styles.bad}>
          {trouble}
        </p>
      )}
      <div className={styles.actions}>
        <Button type="primary" size="large" onClick={() => keep(text)}>
          Keep
        </Button>
        {list.own && (
          <Button size="large" onClick={() => keep("")}>
            As it was
          </Button>
        )}
        <Button size="large" onClick={onDone}>
          Leave it
        </Button>
      </div>
    </div>
  );
}
