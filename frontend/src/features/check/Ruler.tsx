// Lengths ruled on the drawing: from the sheet's edges, from the drawn plumb line, from mark to mark.
import { Button, Input, Select } from "antd";
import { useState } from "react";
import type { Bench, Change, CheckRoom } from "../../api/types";
import styles from "./Check.module.css";

type Props = {
  bench: Bench;
  room: CheckRoom;
  chosen: string | null;
  onChoose: (landmark: string | null) => void;
  tell: (change: Change, done?: string) => Promise<boolean>;
};

const FROM = [
  { value: "left", label: "from the left edge" },
  { value: "right", label: "from the right edge" },
  { value: "top", label: "from the top edge" },
  { value: "bottom", label: "from the bottom edge" },
  { value: "plumb", label: "right of the drawn plumb (− left)" },
  { value: "straight", label: "straight from…" },
  { value: "level", label: "right of… (− left of)" },
  { value: "upright", label: "below… (− above)" },
];

/** Both edges of one landmark follow one another, then the next landmark's. */
const AFTER: Record<string, string> = { left: "top", right: "top", top: "left", bottom: "left" };

export function Ruler({ bench, room, chosen, onChoose, tell }: Props) {
  const [from, setFrom] = useState("left");
  const [other, setOther] = useState<string | null>(null);
  const [length, setLength] = useState("");
  const names = room.landmarks.map((each) => ({ value: each.id, label: each.name }));
  const pair = ["straight", "level", "upright"].includes(from);
  const landmark = chosen ?? room.landmarks[0]?.id ?? null;
  const keep = async () => {
    if (!landmark || !length.trim()) {
      return;
    }
    const ends = pair
      ? { from: other, along: from === "upright" ? "plumb" : from }
      : { side: from };
    const ruled = { id: "new", landmark, mm: length, ...ends };
    if (await tell({ type: "rule_drawing", ruled } as Change, "Kept.")) {
      setLength("");
      const first = from === "left" || from === "right";
      if (!pair && !first && from !== "plumb") {
        const at = room.landmarks.findIndex((each) => each.id === landmark);
        onChoose(room.landmarks[at + 1]?.id ?? null);
      }
      setFrom(AFTER[from] ?? from);
    }
  };
  return (
    <section className={styles.form}>
      <p>
        A handful is enough: measure a landmark from two edges, or from two others. Begin the ruler
        at its zero, not at its end.
      </p>
      <Select aria-label="Landmark" value={landmark} options={names} onChange={onChoose} />
      <Select aria-label="Measured from" value={from} options={FROM} onChange={setFrom} />
      {pair && (
        <Select
          aria-label="The other landmark"
          placeholder="the other landmark"
          value={other}
          options={names.filter((each) => each.value !== landmark)}
          onChange={setOther}
        />
      )}
      <div className={styles.row}>
        <Input
          aria-label="Length on the ruler"
          placeholder={bench.inches ? "4 3/8 in" : "112"}
          value={length}
          inputMode="decimal"
          suffix={bench.inches ? undefined : "mm"}
          onChange={(event) => setLength(event.target.value)}
          onPressEnter={keep}
        />
        <Button size="large" onClick={keep} disabled={!length.trim() || (pair && !other)}>
          Keep
        </Button>
      </div>
    </section>
  );
}
