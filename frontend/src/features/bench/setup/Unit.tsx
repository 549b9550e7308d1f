// The unit: how long it is on the sheet, and between which landmarks it is counted.
import { Button, Input } from "antd";
import { useState } from "react";
import type { Change } from "../../../api/types";
import type { Part } from "./part";
import styles from "./Setup.module.css";

export function UnitSize({ bench, make }: Part) {
  const [text, setText] = useState(String(Math.round((bench.sheet.unit_mm ?? 0) * 10) / 10));
  const name = bench.unit?.name ?? "unit";
  return (
    <section>
      <h2>One {name} on the sheet</h2>
      <div className={styles.row}>
        <Input
          aria-label={`Length of one ${name} on the sheet`}
          value={text}
          suffix="mm"
          onChange={(e) => setText(e.target.value)}
          onPressEnter={() => make({ type: "set_unit_size", unit_mm: text })}
        />
        <Button onClick={() => make({ type: "set_unit_size", unit_mm: text })}>Use it</Button>
      </div>
      <SightSize bench={bench} text={text} make={make} />
      {bench.sheet.unit_chosen ? (
        <Button onClick={() => make({ type: "set_unit_size", unit_mm: null })}>
          Largest round one that fits
        </Button>
      ) : (
        <p>This is the largest round one that fits.</p>
      )}
    </section>
  );
}

/** In a school at sight-size: what is off, and the way there. */
function SightSize({ bench, text, make }: Part & { text: string }) {
  const { sight_size_mm: known, off_sight_size: off } = bench.sheet;
  if (!off) {
    return null;
  }
  return (
    <>
      <p className={styles.bad}>{off}</p>
      <Button
        onClick={() =>
          make({ type: "set_unit_size", unit_mm: known ?? text, sight_size: true } as Change)
        }
      >
        {known === null ? "That is what it measures from my spot" : "Draw at sight-size"}
      </Button>
    </>
  );
}

export function UnitChoice({ bench, make }: Part) {
  const [open, setOpen] = useState(bench.unit === null);
  const [start, setStart] = useState(bench.unit?.start ?? "");
  const [end, setEnd] = useState(bench.unit?.end ?? "");
  const [along, setAlong] = useState(bench.unit?.along ?? "plumb");
  const [name, setName] = useState(bench.unit?.name ?? "");
  const options = bench.landmarks.map((each) => (
    <option key={each.id} value={each.id}>
      {each.name}
    </option>
  ));
  if (!open) {
    return (
      <Button type="text" className={styles.quietButton} onClick={() => setOpen(true)}>
        Count in another unit…
      </Button>
    );
  }
  return (
    <section>
      <h2>Unit</h2>
      <select aria-label="Unit from" value={start} onChange={(e) => setStart(e.target.value)}>
        <option value="">from…</option>
        {options}
      </select>
      <select aria-label="Unit to" value={end} onChange={(e) => setEnd(e.target.value)}>
        <option value="">to…</option>
        {options}
      </select>
      <select aria-label="Unit along" value={along} onChange={(e) => setAlong(e.target.value)}>
        <option value="plumb">upright</option>
        <option value="level">level</option>
        <option value="straight">straight</option>
      </select>
      <div className={styles.row}>
        <Input
          aria-label="Name of the unit"
          value={name}
          placeholder="head"
          onChange={(e) => setName(e.target.value)}
        />
        <Button
          disabled={!start || !end}
          onClick={() =>
            make({
              type: "set_unit",
              unit: {
                from: start,
                to: end,
                along: along as "plumb" | "level" | "straight",
                name: name || "unit",
              },
            })
          }
        >
          Count in it
        </Button>
      </div>
      <Button
        disabled={!start}
        title="For sight-size and dividers, where every reading is a length on the sheet"
        onClick={() => make({ type: "set_unit", unit: { mm: 1, name: "mm", origin: start } })}
      >
        Read in mm on the sheet instead
      </Button>
    </section>
  );
}
