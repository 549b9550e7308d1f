// What can be changed of a study at the bench: title, unit's size, sheet, landmarks.
import { Button, Input } from "antd";
import { useState } from "react";
import type { Bench, Change } from "../../../api/types";
import { SheetChooser } from "../../../shared/SheetChooser";
import styles from "./Setup.module.css";
import { Trust } from "./Trust";

type Props = {
  bench: Bench;
  /** Makes a change; answers what was wrong with it, or null. */
  onChange: (change: Change) => Promise<string | null>;
};

export function Setup({ bench, onChange }: Props) {
  const [trouble, setTrouble] = useState<string | null>(null);
  const make = async (change: Change) => setTrouble(await onChange(change));
  const sheet = bench.sheet;
  return (
    <div className={styles.setup}>
      {trouble && (
        <p role="alert" className={styles.bad}>
          {trouble}
        </p>
      )}
      <Title key={bench.title} bench={bench} make={make} />
      {bench.unit?.end && <UnitSize key={`${sheet.unit_mm}`} bench={bench} make={make} />}
      <UnitChoice bench={bench} make={make} />
      <section>
        <h2>Sheet</h2>
        <SheetChooser
          value={{
            width_mm: sheet.width_mm,
            height_mm: sheet.height_mm,
            margin_mm: sheet.margin_left_mm,
          }}
          onChange={(chosen) => make({ type: "set_sheet", sheet: chosen })}
        />
      </section>
      <Note key={`note ${bench.note}`} bench={bench} make={make} />
      <Trust bench={bench} make={make} />
      <Landmarks bench={bench} make={make} />
      <Shapes bench={bench} make={make} />
    </div>
  );
}

type Part = { bench: Bench; make: (change: Change) => Promise<void> };

function Title({ bench, make }: Part) {
  const [title, setTitle] = useState(bench.title);
  const keep = () => {
    if (title.trim() && title !== bench.title) {
      make({ type: "set_title", title: title.trim() });
    }
  };
  return (
    <section>
      <h2>Title</h2>
      <Input
        aria-label="Title"
        value={title}
        maxLength={200}
        onChange={(e) => setTitle(e.target.value)}
        onBlur={keep}
        onPressEnter={keep}
      />
    </section>
  );
}

function Note({ bench, make }: Part) {
  const [note, setNote] = useState(bench.note ?? "");
  const keep = () => {
    if (note.trim() !== (bench.note ?? "")) {
      make({ type: "set_note", note });
    }
  };
  return (
    <section>
      <h2>Note</h2>
      <Input.TextArea
        aria-label="Note on this study"
        value={note}
        maxLength={4000}
        autoSize={{ minRows: 2, maxRows: 8 }}
        placeholder="Light, pose, what to look at next time…"
        onChange={(e) => setNote(e.target.value)}
        onBlur={keep}
      />
    </section>
  );
}

function UnitSize({ bench, make }: Part) {
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
      <Button
        type={bench.sheet.unit_chosen ? "default" : "text"}
        disabled={!bench.sheet.unit_chosen}
        onClick={() => make({ type: "set_unit_size", unit_mm: null })}
      >
        {bench.sheet.unit_chosen
          ? "Largest round one that fits"
          : "This is the largest round one that fits"}
      </Button>
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

function UnitChoice({ bench, make }: Part) {
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
    </section>
  );
}

function Landmarks({ bench, make }: Part) {
  const [name, setName] = useState("");
  const add = async () => {
    if (name.trim()) {
      await make({ type: "add_landmark", name: name.trim(), tier: 2 });
      setName("");
    }
  };
  return (
    <section>
      <h2>Landmarks</h2>
      <div className={styles.row}>
        <Input
          aria-label="New landmark"
          value={name}
          placeholder="Another landmark"
          maxLength={200}
          onChange={(e) => setName(e.target.value)}
          onPressEnter={add}
        />
        <Button disabled={!name.trim()} onClick={add}>
          Add
        </Button>
      </div>
      <ul>
        {bench.landmarks.map((each) => (
          <LandmarkRow key={each.id} landmark={each} make={make} />
        ))}
      </ul>
    </section>
  );
}

function LandmarkRow({
  landmark,
  make,
}: {
  landmark: Bench["landmarks"][number];
  make: Part["make"];
}) {
  const [asking, setAsking] = useState(false);
  const [name, setName] = useState(landmark.name);
  const rename = () => {
    if (name.trim() && name !== landmark.name) {
      const { id, tier, rough } = landmark;
      make({ type: "edit_landmark", landmark: { id, name: name.trim(), tier, rough } });
    }
  };
  if (asking) {
    return (
      <li className={styles.asking}>
        <span>
          {landmark.readings} {landmark.readings === 1 ? "reading uses" : "readings use"}{" "}
          {landmark.name}.
        </span>
        <Button
          size="middle"
          onClick={() => make({ type: "remove_landmark", id: landmark.id, with_sightings: true })}
        >
          Remove with them
        </Button>
        <Button size="middle" onClick={() => setAsking(false)}>
          Keep
        </Button>
      </li>
    );
  }
  return (
    <li>
      <kbd>{landmark.letters}</kbd>
      <Input
        aria-label={`Name of ${landmark.name}`}
        variant="borderless"
        value={name}
        onChange={(e) => setName(e.target.value)}
        onBlur={rename}
        onPressEnter={rename}
      />
      <Button
        size="middle"
        type="text"
        aria-label={`Remove ${landmark.name}`}
        onClick={() =>
          landmark.readings
            ? setAsking(true)
            : make({ type: "remove_landmark", id: landmark.id, with_sightings: false })
        }
      >
        Remove
      </Button>
    </li>
  );
}

function Shapes({ bench, make }: Part) {
  const [outline, setOutline] = useState<string[]>([]);
  const [name, setName] = useState("");
  const named = new Map(bench.landmarks.map((each) => [each.id, each.name]));
  const finish = async (closed: boolean) => {
    const said = name.trim() || `Shape ${bench.shapes.length + 1}`;
    let id = said.toLowerCase().replace(/[^a-z0-9]+/g, "_") || "shape";
    while (bench.shapes.some((each) => each.id === id)) {
      id += "_2";
    }
    await make({ type: "put_shape", shape: { id, name: said, outline, closed, tier: 1 } });
    setOutline([]);
    setName("");
  };
  return (
    <section>
      <h2>Shapes</h2>
      <ul>
        {bench.shapes.map((each) => (
          <li key={each.id}>
            <span>{each.name}</span>
            <Button
              size="middle"
              type="text"
              aria-label={`Remove shape ${each.name}`}
              onClick={() => make({ type: "remove_shape", id: each.id })}
            >
              Remove
            </Button>
          </li>
        ))}
      </ul>
      <select
        aria-label="Join the next landmark"
        value=""
        onChange={(e) => setOutline([...outline, e.target.value])}
      >
        <option value="">join landmarks, in order…</option>
        {bench.landmarks.map((each) => (
          <option key={each.id} value={each.id}>
            {each.name}
          </option>
        ))}
      </select>
      {outline.length > 0 && (
        <>
          <p>{outline.map((id) => named.get(id)).join(" – ")}</p>
          <Input
            aria-label="Name of the shape"
            value={name}
            placeholder="Name of the shape"
            onChange={(e) => setName(e.target.value)}
          />
          <div className={styles.row}>
            <Button disabled={outline.length < 3} onClick={() => finish(true)}>
              Close it
            </Button>
            <Button disabled={outline.length < 2} onClick={() => finish(false)}>
              Leave it open
            </Button>
            <Button type="text" onClick={() => setOutline(outline.slice(0, -1))}>
              One back
            </Button>
          </div>
        </>
      )}
    </section>
  );
}
