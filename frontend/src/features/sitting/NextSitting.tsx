// When it is sat to next: the wall says so then, and any calendar can be told.
import { Button } from "antd";
import { useState } from "react";
import { download } from "../../shared/download";
import { soon } from "../../shared/soon";
import type { Tell } from "./tell";

type Props = { study: number; at: string | null; tell: Tell };

export function NextSitting({ study, at, tell }: Props) {
  const [text, setText] = useState(at ?? "");
  return (
    <section aria-label="The next sitting">
      <h2>The next sitting</h2>
      {at && <p>{soon(at, new Date())}</p>}
      <p>
        <input
          type="datetime-local"
          className="field"
          aria-label="Day and hour of the next sitting"
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
      </p>
      <p>
        <Button
          disabled={text === "" || text === at}
          onClick={() => tell({ type: "set_next_sitting", at: text })}
        >
          Remember it
        </Button>{" "}
        {at && (
          <>
            <Button onClick={() => download(`/api/v1/studies/${study}/sitting.ics`)}>
              For my calendar
            </Button>{" "}
            <Button
              type="text"
              onClick={() => {
                setText("");
                tell({ type: "set_next_sitting", at: null });
              }}
            >
              None
            </Button>
          </>
        )}
      </p>
    </section>
  );
}
