// What can be changed of a study at the bench: title, unit's size, sheet, landmarks.
import { Input, Switch } from "antd";
import { useState } from "react";
import type { Bench, Change } from "../../../api/types";
import { SheetChooser } from "../../../shared/SheetChooser";
import { Counting } from "./Counting";
import { Landmarks } from "./Landmarks";
import { PhoneAsPad } from "./PhoneAsPad";
import type { Part } from "./part";
import styles from "./Setup.module.css";
import { Shapes } from "./Shapes";
import { Trust } from "./Trust";
import { UnitChoice, UnitSize } from "./Unit";

type Props = {
  bench: Bench;
  /** Makes a change; answers what was wrong with it, or null. */
  onChange: (change: Change) => Promise<string | null>;
  /** The landmark that the next tap on the subject places. */
  placing: string | null;
  onPlace: (landmark: string | null) => void;
};

export function Setup({ bench, onChange, placing, onPlace }: Props) {
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
      <section>
        <h2>Eye first</h2>
        <label className={styles.eye}>
          <Switch
            checked={bench.eye_first}
            onChange={(on) => make({ type: "set_eye_first", on })}
          />
          I say what I see, then I measure
        </label>
      </section>
      <Note key={`note ${bench.note}`} bench={bench} make={make} />
      <PhoneAsPad bench={bench} />
      <Counting bench={bench} make={make} />
      <Trust bench={bench} make={make} />
      <Landmarks bench={bench} make={make} placing={placing} onPlace={onPlace} />
      <Shapes bench={bench} make={make} />
    </div>
  );
}

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
