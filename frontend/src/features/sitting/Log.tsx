// The log: each sitting as it was, and the artist's own words about it.
import { Input } from "antd";
import { useState } from "react";
import type { Change, SittingRoom as Room } from "../../api/types";
import styles from "./Sitting.module.css";

type Props = { room: Room; tell: (change: Change) => Promise<void> };
type Entry = Room["log"][number];

export function Log({ room, tell }: Props) {
  if (room.log.length === 0) {
    return null;
  }
  return (
    <section className={styles.log} aria-label="Log">
      <h2>Log</h2>
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
      <span>
        {Math.round(entry.minutes)} min{entry.ended ? "" : " so far"},{" "}
        {count(entry.readings, "reading")}
        {entry.checks > 0 && `, ${count(entry.checks, "check")}`}
        {entry.moved > 0 && `, moved ${entry.moved === 1 ? "once" : `${entry.moved} times`}`}
      </span>
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

function count(number: number, what: string): string {
  return `${number} ${what}${number === 1 ? "" : "s"}`;
}

function dated(at: string): string {
  return new Date(at).toLocaleString("en-GB", { dateStyle: "medium", timeStyle: "short" });
}
