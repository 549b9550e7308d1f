// A step otherwise than the recipe has it: by eye, left out, where it fell; or another one first.
import { Button, Input, Select } from "antd";
import { useState } from "react";
import type { Bench, Change, RecipeRoom } from "../../api/types";
import styles from "./Otherwise.module.css";

type Props = {
  bench: Bench;
  room: RecipeRoom;
  at: number;
  onChange: (change: Change) => Promise<boolean>;
};

export function Otherwise({ bench, room, at, onChange }: Props) {
  const [open, setOpen] = useState(false);
  const now = room.dictation[at];
  if (!now) {
    return null;
  }
  const placing = now.kind === "place" ? room.placings[now.placed - 1] : undefined;
  const stands = room.placings.slice(0, placing ? now.placed - 1 : now.placed);
  const waiting = room.placings.slice(now.placed);
  const place = (how: "recipe" | "eye" | "left_out", landmark: string) =>
    onChange({ type: "set_placing", landmark, how });
  return (
    <>
      {room.left_out.map((each) => (
        <p key={each.landmark} className={styles.out}>
          Left out: {each.name}.
          <Button onClick={() => place("recipe", each.landmark)}>Put it back</Button>
        </p>
      ))}
      <Button aria-expanded={open} className={styles.open} onClick={() => setOpen(!open)}>
        Otherwise
      </Button>
      {open && (
        <div className={styles.ways}>
          {placing && (
            <div className={styles.row}>
              {placing.own ? (
                <Button onClick={() => place("recipe", placing.landmark)}>
                  As the recipe has it
                </Button>
              ) : (
                <>
                  <Button onClick={() => place("eye", placing.landmark)}>Place it by eye</Button>
                  <Button onClick={() => place("left_out", placing.landmark)}>Leave it out</Button>
                </>
              )}
            </div>
          )}
          {placing && (
            <Fell
              key={placing.landmark}
              inches={bench.inches}
              onKeep={(left, top) =>
                onChange({
                  type: "set_placing",
                  landmark: placing.landmark,
                  how: "fell",
                  left,
                  top,
                })
              }
            />
          )}
          <div className={styles.row}>
            {waiting.length > 0 && (
              <Select
                aria-label="Place another first"
                placeholder="Place another first"
                value={null}
                options={waiting.map((each) => ({ value: each.landmark, label: each.name }))}
                onChange={(name: string | null) =>
                  name &&
                  onChange({
                    type: "set_order",
                    landmarks: [...stands.map((each) => each.landmark), name],
                  })
                }
              />
            )}
            {room.own_order.length > 0 && (
              <Button onClick={() => onChange({ type: "set_order", landmarks: [] })}>
                The recipe's own order
              </Button>
            )}
          </div>
        </div>
      )}
    </>
  );
}

/** Where the mark fell on the sheet, by ruler: the next ones are reckoned from there. */
function Fell({
  inches,
  onKeep,
}: {
  inches: boolean;
  onKeep: (left: string, top: string) => Promise<boolean>;
}) {
  const [left, setLeft] = useState("");
  const [top, setTop] = useState("");
  const ready = left.trim() && top.trim();
  const keep = async () => {
    if (ready && (await onKeep(left, top))) {
      setLeft("");
      setTop("");
    }
  };
  const fields = [
    ["from the left", left, setLeft],
    ["from the top", top, setTop],
  ] as const;
  return (
    <fieldset className={styles.fell}>
      <legend>It fell elsewhere: measure where</legend>
      {fields.map(([label, value, set]) => (
        <label key={label}>
          {label}
          <Input
            value={value}
            inputMode={inches ? "text" : "decimal"}
            placeholder={inches ? "4 3/8 in" : "mm"}
            onChange={(event) => set(event.target.value)}
            onPressEnter={keep}
          />
        </label>
      ))}
      <Button onClick={keep} disabled={!ready}>
        Keep
      </Button>
    </fieldset>
  );
}
