// The log: each sitting as it was, and the artist's own words about it.
import { Button, Input } from "antd";
import { useState } from "react";
import { api } from "../../api/client";
import type { Bench, Change, SittingRoom as Room } from "../../api/types";
import { download } from "../../shared/download";
import { Said } from "../../shared/Said";
import styles from "./Sitting.module.css";

type Props = { bench: Bench; room: Room; tell: (change: Change) => Promise<void> };
type Entry = Room["log"][number];

export function Log({ bench, room, tell }: Props) {
  if (room.log.length === 0) {
    return null;
  }
  return (
    <section className={styles.log} aria-label="Log">
      {room.look_again.length > 0 && !room.clock && (
        <div className={styles.again}>
          <h2>Another day, look at this first</h2>
          <ul>
            {room.look_again.map((each) => (
              <li key={each}>
                <Said text={each} />
              </li>
            ))}
          </ul>
        </div>
      )}
      <div className={styles.logHead}>
        <h2>Log</h2>
        <Button onClick={() => download(api.takeAddress(bench.id, "log"))}>As a PDF</Button>
      </div>
      <ol>
        {room.log.map((each) => (
          <LogEntry key={`${each.id} ${each.note}`} entry={each} tell={tell} />
        ))}
      </ol>
    </section>
  );
}

function LogEntry({ entry, tell }: { entry: Entry; tell: Props["tell"] }) {
  const [note, setNote] = useState(entry.note ?? "");
  const keep = () => {
    if (note !== (entry.note ?? "")) {
      tell({ type: "note_sitting", sitting: entry.id, note: note || null });
    }
  };
  return (
    <li data-sitting={entry.id}>
      <b>{dated(entry.at)}</b>
      <span>{entry.said}</span>
      <Input.TextArea
        aria-label={`Note on ${dated(entry.at)}`}
        placeholder="In your own words: light, pose, what is next"
        value={note}
        autoSize={{ minRows: 1, maxRows: 6 }}
        maxLength={4000}
        onChange={(event) => setNote(event.target.value)}
        onBlur={keep}
      />
    </li>
  );
}

function dated(at: string): string {
  return new Date(at).toLocaleString("en-GB", { dateStyle: "medium", timeStyle: "short" });
}
