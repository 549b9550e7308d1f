// Choosing a sheet: size, direction, margins.
import { Input } from "antd";
import { useState } from "react";
import { Choice } from "./Choice";
import styles from "./SheetChooser.module.css";
import { SHEETS, soldAs } from "./sheets";

export type ChosenSheet = { width_mm: number; height_mm: number; margin_mm: number };

type Props = { value: ChosenSheet; onChange: (sheet: ChosenSheet) => void };

export function SheetChooser({ value, onChange }: Props) {
  const across = value.width_mm > value.height_mm;
  const sold = soldAs(value.width_mm, value.height_mm);
  const [own, setOwn] = useState(!sold);
  const laid = (width: number, height: number, turned: boolean) => {
    const [short, long] = [Math.min(width, height), Math.max(width, height)];
    onChange({ ...value, width_mm: turned ? long : short, height_mm: turned ? short : long });
  };
  return (
    <div className={styles.chooser}>
      <fieldset className={styles.sizes}>
        <legend className="visually-hidden">Sheet</legend>
        {SHEETS.map((each) => (
          <button
            type="button"
            key={each.name}
            aria-pressed={!own && sold?.name === each.name}
            onClick={() => {
              setOwn(false);
              laid(each.width, each.height, across);
            }}
          >
            {each.name}
          </button>
        ))}
        <button type="button" aria-pressed={own} onClick={() => setOwn(true)}>
          Own size
        </button>
      </fieldset>
      {own && (
        <div className={styles.own}>
          <Length
            label="Width"
            mm={value.width_mm}
            onChange={(mm) => onChange({ ...value, width_mm: mm })}
          />
          <Length
            label="Height"
            mm={value.height_mm}
            onChange={(mm) => onChange({ ...value, height_mm: mm })}
          />
        </div>
      )}
      <div className={styles.own}>
        <Choice
          options={[
            { label: "Upright", value: "upright" },
            { label: "Across", value: "across" },
          ]}
          value={across ? "across" : "upright"}
          onChange={(way) => laid(value.width_mm, value.height_mm, way === "across")}
        />
        <Length
          label="Margin"
          mm={value.margin_mm}
          onChange={(mm) => onChange({ ...value, margin_mm: mm })}
        />
      </div>
    </div>
  );
}

/** A length in mm; "12 in" and "30 cm" are taken too. */
function Length({
  label,
  mm,
  onChange,
}: {
  label: string;
  mm: number;
  onChange: (mm: number) => void;
}) {
  const [text, setText] = useState<string | null>(null);
  const settle = () => {
    const found = /^\s*([\d.,]+)\s*(mm|cm|in|")?\s*$/.exec(text ?? "");
    const factor = { cm: 10, in: 25.4, '"': 25.4 }[found?.[2] ?? ""] ?? 1;
    const entered = Number(found?.[1]?.replace(",", ".")) * factor;
    if (Number.isFinite(entered) && entered > 0) {
      onChange(entered);
    }
    setText(null);
  };
  return (
    <label className={styles.length}>
      {label}
      <Input
        value={text ?? String(Math.round(mm * 10) / 10)}
        suffix="mm"
        inputMode="decimal"
        onChange={(event) => setText(event.target.value)}
        onBlur={settle}
        onPressEnter={settle}
      />
    </label>
  );
}
