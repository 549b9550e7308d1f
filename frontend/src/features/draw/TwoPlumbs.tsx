// Are two drawn plumbs parallel? Measured apart at top, middle and foot.
import { useQuery } from "@tanstack/react-query";
import { InputNumber } from "antd";
import { useState } from "react";
import { queries } from "../../api/queries";
import styles from "./Recipe.module.css";

const FIELDS = [
  { key: "top_mm", label: "Apart at the top" },
  { key: "middle_mm", label: "in the middle" },
  { key: "foot_mm", label: "at the foot" },
  { key: "height_mm", label: "over a height of" },
] as const;

export function TwoPlumbs() {
  const [entry, setEntry] = useState<Record<string, number | null>>({ height_mm: 300 });
  const whole = FIELDS.every((each) => entry[each.key]);
  const told = useQuery({
    ...queries.plumbs(entry as Parameters<typeof queries.plumbs>[0]),
    enabled: whole,
  });
  return (
    <section>
      <h2>Are the two plumbs parallel?</h2>
      <div className={styles.plumbs}>
        {FIELDS.map((each) => (
          <label key={each.key}>
            {each.label}
            <InputNumber
              min={0.1}
              suffix="mm"
              value={entry[each.key]}
              onChange={(value) => setEntry((old) => ({ ...old, [each.key]: value }))}
            />
          </label>
        ))}
      </div>
      <p role="status" data-parallel={told.data?.parallel}>
        {whole ? told.data?.said : "Measure them apart at three heights."}
      </p>
    </section>
  );
}
