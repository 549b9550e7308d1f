// The drawing sighted like the subject: the same ratios and tilts, taken of what is drawn.
import { Button, Input, Select } from "antd";
import { useState } from "react";
import type { Bench, Change, CheckRoom } from "../../api/types";
import { Choice } from "../../shared/Choice";
import styles from "./Check.module.css";

type Props = {
  bench: Bench;
  room: CheckRoom;
  tell: (change: Change, done?: string) => Promise<boolean>;
};

const KINDS = [
  { value: "tilt", label: "Tilt", hint: "2 o'clock, 4:14 or 65°" },
  { value: "span", label: "Length", hint: "in units: 1 3/8" },
  { value: "drop", label: "Plumb", hint: "units to the right, 0 under" },
  { value: "level", label: "Level", hint: "units lower, 0 level" },
];
const VALUE: Record<string, string> = {
  tilt: "degrees",
  span: "units",
  drop: "offset",
  level: "offset",
};

export function Stick({ bench, room, tell }: Props) {
  const [kind, setKind] = useState("tilt");
  const [start, setStart] = useState<string | null>(null);
  const [end, setEnd] = useState<string | null>(null);
  const [value, setValue] = useState("");
  const names = room.landmarks.map((each) => ({ value: each.id, label: each.name }));
  const keep = async () => {
    const along = kind === "span" ? { along: "straight" } : {};
    const sighting = {
      id: "new",
      kind,
      from: start,
      to: end,
      [VALUE[kind] ?? "units"]: value,
      ...along,
    };
    const change = { type: "resight_drawing", sighting } as unknown as Change;
    if (await tell(change, "Kept.")) {
      setValue("");
      setStart(end);
      setEnd(null);
    }
  };
  return (
    <section className={styles.form}>
      <p>
        Sight your drawing as you sighted the subject, counted in {bench.unit?.name ?? "the unit"}{" "}
        as you drew it.
      </p>
      <Choice
        block
        options={KINDS.map(({ value, label }) => ({ value, label }))}
        value={kind}
        onChange={setKind}
      />
      <Select
        aria-label="From"
        placeholder="from"
        value={start}
        options={names}
        onChange={setStart}
      />
      <Select
        aria-label="To"
        placeholder="to"
        value={end}
        options={names.filter((each) => each.value !== start)}
        onChange={setEnd}
      />
      <div className={styles.row}>
        <Input
          aria-label="What the stick reads"
          placeholder={KINDS.find((each) => each.value === kind)?.hint}
          value={value}
          onChange={(event) => setValue(event.target.value)}
          onPressEnter={keep}
        />
        <Button size="large" onClick={keep} disabled={!value.trim() || !start || !end}>
          Keep
        </Button>
      </div>
    </section>
  );
}
