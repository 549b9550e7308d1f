// The place written down: lengths in metres or centimetres as they are measured, directions by the
// clock on the floor, the rest in one's own words.
import { Button, Input } from "antd";
import { useState } from "react";
import type { SittingRoom as Room } from "../../api/types";
import styles from "./Place.module.css";

type Placed = Room["place"]["place"];
type Props = { place: Placed; onKeep: (place: Placed) => Promise<void> };
type Name = string & keyof Placed;

const LENGTHS: readonly (readonly [Name, string])[] = [
  ["distance_mm", "Eye to subject, along the floor"],
  ["eye_height_mm", "Eye above the floor"],
  ["easel_mm", "Eye to board"],
  ["board_mm", "Middle of the board above the floor"],
  ["reach_mm", "Eye to stick"],
];
const HOURS: readonly (readonly [Name, string])[] = [
  ["easel_hour", "Easel, from the eye"],
  ["light_hour", "Light, from the subject"],
];
const DEGREES: readonly (readonly [Name, string, number, number])[] = [
  ["board_turn_deg", "Board turned clockwise by", -90, 90],
  ["lean_deg", "Board leans back by", -45, 90],
];
/** Where boards stand, by the hour. */
const BOARDS = [
  ["right of the line of sight", 1.5],
  ["left of the line of sight", 10.5],
  ["before me, looked over", 12],
  ["across on my right", 3],
  ["across on my left", 9],
] as const;
const WORDS: readonly (readonly [Name, string, string])[] = [
  ["light", "The light", "North window, blind half down; lamp off"],
  ["marks", "Marks of chair and easel", "Chalk crosses at the front legs of the stool"],
  ["pose", "How the subject sits, lies or stands", "Left hand on the knee, chin towards the door"],
];

export function PlaceForm({ place, onKeep }: Props) {
  const [entered, setEntered] = useState<Record<string, string>>(() => shown(place));
  const put = (name: string, text: string) => setEntered({ ...entered, [name]: text });
  const read = () => {
    const made: Record<string, unknown> = {};
    for (const [name] of LENGTHS) {
      made[name] = (entered[name] ?? "").trim() || null;
    }
    for (const [name] of [...HOURS, ...DEGREES]) {
      const text = (entered[name] ?? "").trim();
      made[name] = text === "" ? null : Number(text);
    }
    for (const [name] of WORDS) {
      made[name] = (entered[name] ?? "").trim() || null;
    }
    onKeep(made as Placed);
  };
  return (
    <form
      className={styles.form}
      onSubmit={(event) => {
        event.preventDefault();
        read();
      }}
    >
      {LENGTHS.map(([name, said]) => (
        <label key={name}>
          <span>{said}</span>
          <Input
            size="large"
            value={entered[name]}
            placeholder="cm, m, in or shoes"
            onChange={(event) => put(name, event.target.value)}
          />
        </label>
      ))}
      <label>
        <span>The board stands</span>
        <select
          value=""
          onChange={(event) => {
            if (event.target.value) {
              put("easel_hour", event.target.value);
            }
          }}
        >
          <option value="">as below</option>
          {BOARDS.map(([where, hour]) => (
            <option key={where} value={hour}>
              {where}
            </option>
          ))}
        </select>
      </label>
      {DEGREES.map(([name, said, least, most]) => (
        <label key={name}>
          <span>{said}</span>
          <Input
            size="large"
            type="number"
            min={least}
            max={most}
            suffix="°"
            value={entered[name]}
            onChange={(event) => put(name, event.target.value)}
          />
        </label>
      ))}
      {HOURS.map(([name, said]) => (
        <label key={name}>
          <span>{said}</span>
          <select
            value={entered[name]}
            aria-label={said}
            onChange={(event) => put(name, event.target.value)}
          >
            <option value="">not written down</option>
            {Array.from({ length: 24 }, (_, k) => (k + 2) / 2).map((hour) => (
              <option key={hour} value={hour}>
                {hour % 1 ? `half past ${Math.floor(hour)}` : `${hour} o'clock`}
              </option>
            ))}
          </select>
        </label>
      ))}
      <p className={styles.hint}>
        The clock lies on the floor, twelve away from you: three is to the right, six behind.
      </p>
      {WORDS.map(([name, said, example]) => (
        <label key={name} className={styles.wide}>
          <span>{said}</span>
          <Input.TextArea
            autoSize={{ minRows: 1, maxRows: 4 }}
            maxLength={1000}
            placeholder={example}
            value={entered[name]}
            onChange={(event) => put(name, event.target.value)}
          />
        </label>
      ))}
      <Button type="primary" size="large" htmlType="submit">
        Keep the place
      </Button>
    </form>
  );
}

function shown(place: Placed): Record<string, string> {
  const told: Record<string, string> = {};
  for (const [name] of LENGTHS) {
    const mm = place[name] as number | null | undefined;
    told[name] =
      mm == null ? "" : mm >= 1000 ? `${+(mm / 1000).toFixed(3)} m` : `${+mm.toFixed(1)} mm`;
  }
  for (const [name] of [...HOURS, ...DEGREES]) {
    told[name] = place[name] == null ? "" : String(place[name]);
  }
  for (const [name] of WORDS) {
    told[name] = (place[name] as string | null | undefined) ?? "";
  }
  return told;
}
