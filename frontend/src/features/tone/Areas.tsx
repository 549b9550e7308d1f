// The areas: outlined by landmarks, on the light side or in shadow, with what is known of each.
import { Button, Input } from "antd";
import { useState } from "react";
import { ApiError, api } from "../../api/client";
import type { Bench, Change, ToneRoom } from "../../api/types";
import { Choice } from "../../shared/Choice";
import styles from "./Tone.module.css";

type Props = {
  bench: Bench;
  room: ToneRoom;
  tell: (change: Change) => Promise<boolean>;
  outline: string[] | null;
  onOutline: (outline: string[] | null) => void;
  onSaid: (said: string | null) => void;
};

const SIDES = [
  { value: "light", label: "Light" },
  { value: "shadow", label: "Shadow" },
  { value: "", label: "–" },
];

export function Areas({ bench, room, tell, outline, onOutline, onSaid }: Props) {
  const [name, setName] = useState("");
  const [edited, setEdited] = useState<string | null>(null);
  const named = new Map(bench.landmarks.map((each) => [each.id, each.name]));
  const put = (area: ToneRoom["areas"][number], side: string) =>
    tell({
      type: "put_area",
      area: {
        id: area.id,
        name: area.name,
        outline: area.outline,
        ...(side ? { side: side as "light" | "shadow" } : {}),
      },
    });
  const finish = async () => {
    const known = room.areas.find((each) => each.id === edited);
    const id = known?.id ?? free(room);
    const area = {
      id,
      name: name.trim() || known?.name || `Area ${room.areas.length + 1}`,
      outline: outline ?? [],
      ...(known?.side ? { side: known.side as "light" | "shadow" } : {}),
    };
    if (await tell({ type: "put_area", area })) {
      onOutline(null);
      setEdited(null);
      setName("");
    }
  };
  const read = async () => {
    try {
      const found = await api.readTones(bench.id);
      if (await tell({ type: "read_tones", steps: found.steps })) {
        onSaid(found.said);
      }
    } catch (error) {
      onSaid(error instanceof ApiError ? error.sentence : String(error));
    }
  };
  return (
    <>
      <p className={styles.note}>
        Force every area into light or shadow before any transition. Their borders are straight
        lines between landmarks, sighted like any other.
      </p>
      <ul className={styles.areas}>
        {room.areas.map((each) => (
          <li key={each.id} data-area={each.id}>
            <i style={{ background: each.grey ?? "transparent" }} />
            <span>
              <b>{each.name}</b>
              <small>
                {each.said}
                {each.said_share && ` · ${each.said_share} of the frame`}
              </small>
              {each.trouble && <small className={styles.bad}>{each.trouble}</small>}
            </span>
            <Choice
              options={SIDES}
              value={each.side ?? ""}
              onChange={(value) => put(each, value)}
              aria-label={`Side of ${each.name}`}
            />
            <span className={styles.row}>
              <Button
                type="text"
                size="middle"
                aria-label={`Outline ${each.name}`}
                onClick={() => {
                  setEdited(each.id);
                  setName(each.name);
                  onOutline([]);
                }}
              >
                Outline
              </Button>
              <Button
                type="text"
                size="middle"
                aria-label={`Remove ${each.name}`}
                onClick={() => tell({ type: "remove_area", id: each.id })}
              >
                Remove
              </Button>
            </span>
          </li>
        ))}
      </ul>
      {outline === null ? (
        <div className={styles.row}>
          <Button
            onClick={() => {
              setEdited(null);
              setName("");
              onOutline([]);
            }}
          >
            An area
          </Button>
          <Button onClick={() => tell({ type: "suggest_areas" })}>From the shapes</Button>
          {room.can_read && <Button onClick={read}>Read off the subject</Button>}
        </div>
      ) : (
        <section className={styles.form}>
          <p role="status">
            {outline.length
              ? outline.map((id) => named.get(id)).join(" – ")
              : "Tap its landmarks on the picture, one after the other round it."}
          </p>
          <select
            aria-label="Next landmark of the outline"
            value=""
            onChange={(event) => onOutline([...outline, event.target.value])}
          >
            <option value="">or choose the next…</option>
            {bench.landmarks.map((each) => (
              <option key={each.id} value={each.id}>
                {each.name}
              </option>
            ))}
          </select>
          <Input
            aria-label="Name of the area"
            placeholder="Can, shadow side…"
            value={name}
            maxLength={80}
            onChange={(event) => setName(event.target.value)}
          />
          <div className={styles.row}>
            <Button type="primary" disabled={outline.length < 3} onClick={finish}>
              Keep the area
            </Button>
            <Button disabled={!outline.length} onClick={() => onOutline(outline.slice(0, -1))}>
              One back
            </Button>
            <Button type="text" onClick={() => onOutline(null)}>
              Leave off
            </Button>
          </div>
        </section>
      )}
    </>
  );
}

function free(room: ToneRoom): string {
  const taken = new Set(room.areas.map((each) => each.id));
  let number = taken.size + 1;
  while (taken.has(`area_${number}`)) {
    number += 1;
  }
  return `area_${number}`;
}
