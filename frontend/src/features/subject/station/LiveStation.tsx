// Arm and station before a live subject: say how large it is and how far, see what that comes to.
import { useQuery } from "@tanstack/react-query";
import { InputNumber } from "antd";
import { useState } from "react";
import { ApiError } from "../../../api/client";
import { queries } from "../../../api/queries";
import { Measures, mm, RealReach } from "./Reckoning";
import styles from "./Station.module.css";

const FIELDS = [
  { key: "height_mm", label: "It is this high", least: 1 },
  { key: "width_mm", label: "and this wide", least: 1 },
  { key: "unit_mm", label: "its unit (a head, a jug) is", least: 1 },
  { key: "distance_mm", label: "I stand away from it", least: 200 },
  { key: "reach_mm", label: "My reach, eye to stick", least: 150 },
  { key: "easel_mm", label: "The board from my eye", least: 200 },
  { key: "wanted_mm", label: "I want to draw it this high", least: 1 },
] as const;

type Entry = Record<(typeof FIELDS)[number]["key"], number>;

const BEGIN: Entry = {
  height_mm: 1300,
  width_mm: 700,
  unit_mm: 230,
  distance_mm: 4000,
  reach_mm: 650,
  easel_mm: 900,
  wanted_mm: 300,
};

export function LiveStation() {
  const [entry, setEntry] = useState(BEGIN);
  const told = useQuery(queries.reckon(entry));
  const r = told.data?.reckoned;
  return (
    <section className={styles.reckoning}>
      <h2>What arm and station come to</h2>
      <p>An example, until you put in your own sizes. Nothing of it is kept.</p>
      <div className={styles.fields}>
        {FIELDS.map((each) => (
          <label key={each.key}>
            {each.label}
            <InputNumber
              value={entry[each.key]}
              min={each.least}
              step={10}
              suffix="mm"
              onChange={(value) => value && setEntry((old) => ({ ...old, [each.key]: value }))}
            />
          </label>
        ))}
      </div>
      {told.error instanceof ApiError && (
        <p role="alert" className={styles.bad}>
          {told.error.problem.detail}
        </p>
      )}
      {r && <Measures r={r} easel={entry.easel_mm} />}
      {r && (
        <p>
          For a sight-size drawing {mm(entry.wanted_mm)} high the board goes{" "}
          <b>{mm(r.easel_for_sheet_mm)}</b> from the eye.
        </p>
      )}
      <ul className={styles.cautions}>
        {told.data?.cautions.map((each) => (
          <li key={each.about}>
            <b aria-hidden="true">!</b> {each.text}
          </li>
        ))}
      </ul>
      <RealReach onUse={(reach) => setEntry((old) => ({ ...old, reach_mm: reach }))} />
    </section>
  );
}
