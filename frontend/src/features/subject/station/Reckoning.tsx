// Arm and station in numbers: what things measure on the stick and on the sheet, what slips cost.
import { Button, InputNumber } from "antd";
import { useState } from "react";
import { ApiError, api } from "../../../api/client";
import type { Reckoned, Station, StationRoom } from "../../../api/types";
import styles from "./Station.module.css";

type Props = { room: StationRoom; station: Station; onMove: (part: Partial<Station>) => void };

export const mm = (value: number) =>
  value < 10
    ? `${value.toFixed(1)} mm`
    : value < 3000
      ? `${Math.round(value)} mm`
      : `${(value / 1000).toFixed(1)} m`;

export function Reckoning({ room, station, onMove }: Props) {
  const r = room.reckoned;
  return (
    <section className={styles.reckoning}>
      <h2>Arm and station</h2>
      <Measures r={r} easel={station.easel_mm} />
      <div className={styles.fields}>
        <label>
          Easel from the eye
          <InputNumber
            value={station.easel_mm}
            min={200}
            max={20000}
            step={10}
            suffix="mm"
            onChange={(value) => value && onMove({ easel_mm: value })}
          />
        </label>
        <Button onClick={() => onMove({ easel_mm: Math.round(r.easel_for_sheet_mm) })}>
          {mm(r.easel_for_sheet_mm)}: sight-size fits this sheet
        </Button>
        <label>
          Board leans back
          <InputNumber
            value={station.lean_deg}
            min={-45}
            max={60}
            suffix="°"
            onChange={(value) => value !== null && onMove({ lean_deg: value })}
          />
        </label>
      </div>
      <RealReach onUse={(reach) => onMove({ reach_mm: reach })} />
    </section>
  );
}

/** What things measure on the stick and on the sheet, and what slips cost. */
export function Measures({ r, easel }: { r: Reckoned; easel: number }) {
  return (
    <dl>
      <dt>One {r.unit_name} on the stick</dt>
      <dd>{mm(r.unit_on_stick_mm)}</dd>
      <dt>The whole height on the stick</dt>
      <dd>{mm(r.subject_on_stick_mm)}</dd>
      <dt>One {r.unit_name} on this sheet</dt>
      <dd>{mm(r.sheet_unit_mm)}</dd>
      <dt>In sight-size, on a board {mm(easel)} from the eye</dt>
      <dd>
        {mm(r.sight_size_unit_mm)} the {r.unit_name}, {mm(r.sight_size_height_mm)} in all
      </dd>
      <dt>Elbow bent, 30 mm nearer</dt>
      <dd>
        {r.bend_percent.toFixed(1)} %, {mm(r.bend_sheet_mm)} a {r.unit_name} on the sheet
      </dd>
      <dt>Head swayed by 10 mm</dt>
      <dd>
        {mm(r.sway_subject_mm)} on the subject, {mm(r.sway_sheet_mm)} on the sheet
      </dd>
    </dl>
  );
}

/** From two readings of a known length, before and after a step back, to the real reach. */
export function RealReach({ onUse }: { onUse: (reach: number) => void }) {
  const [entry, setEntry] = useState<Record<string, number | null>>({});
  const [answer, setAnswer] = useState<string | null>(null);
  const [reach, setReach] = useState<number | null>(null);
  const field = (name: string, label: string) => (
    <label>
      {label}
      <InputNumber
        min={0.1}
        suffix="mm"
        value={entry[name]}
        onChange={(value) => setEntry((old) => ({ ...old, [name]: value }))}
      />
    </label>
  );
  const work = async () => {
    try {
      const made = await api.reach(entry as Parameters<typeof api.reach>[0]);
      setReach(Math.round(made.reach_mm));
      setAnswer(made.said);
    } catch (error) {
      setReach(null);
      setAnswer(error instanceof ApiError ? error.problem.detail : String(error));
    }
  };
  return (
    <details className={styles.reach}>
      <summary>My real reach, from a door or anything of known size</summary>
      <div className={styles.fields}>
        {field("length_mm", "Its true size")}
        {field("near_mm", "It covered on the stick")}
        {field("back_mm", "Then I stepped back")}
        {field("far_mm", "and it covered")}
        <Button onClick={work}>Work it back</Button>
      </div>
      {answer && (
        <p role="status">
          {answer}{" "}
          {reach && (
            <Button onClick={() => onUse(Math.min(Math.max(reach, 150), 1200))}>Use it</Button>
          )}
        </p>
      )}
    </details>
  );
}
