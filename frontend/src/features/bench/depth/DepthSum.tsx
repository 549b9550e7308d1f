// How deep a book, a table, a floor is seen, from eye height, distance and real size.
import { useQuery } from "@tanstack/react-query";
import { InputNumber } from "antd";
import { useState } from "react";
import { queries } from "../../../api/queries";
import { Said } from "../../../shared/Said";
import styles from "./Depth.module.css";

const ASKED = [
  ["height", "Eye over it, cm"],
  ["distance", "To its near edge, cm"],
  ["width", "Its near edge, cm"],
  ["depth", "Its real depth, cm"],
] as const;

export function DepthSum() {
  const [sizes, setSizes] = useState({ height: 45, distance: 120, width: 30, depth: 20 });
  const told = useQuery(queries.depthSeen(sizes));
  return (
    <section data-depth-sum>
      <h2>How deep is it seen?</h2>
      <div className={styles.sums}>
        {ASKED.map(([key, label]) => (
          <label key={key}>
            {label}
            <InputNumber
              aria-label={label}
              min={key === "height" ? 0 : 0.1}
              max={100000}
              value={sizes[key]}
              onChange={(value) => value !== null && setSizes({ ...sizes, [key]: value })}
            />
          </label>
        ))}
      </div>
      <p role="status">
        <Said text={told.data?.said ?? told.error?.message ?? ""} />
      </p>
    </section>
  );
}
