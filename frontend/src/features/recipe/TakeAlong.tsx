// What is taken along: papers at true size, the plan, tables, the study file; readings back in.
import { Button } from "antd";
import { useState } from "react";
import { api } from "../../api/client";
import type { Bench, Change } from "../../api/types";
import { download } from "../../shared/download";
import { FilePicker } from "../../shared/FilePicker";
import styles from "./Recipe.module.css";

type Props = { bench: Bench; make: (change: Change) => Promise<string | null> };

const PAPERS = [
  { what: "marks", label: "Marks sheet", note: "true size, to prick through" },
  { what: "recipe", label: "Recipe", note: "all steps, drawn" },
  { what: "strips", label: "Tick strips", note: "distances to carry" },
  { what: "viewfinder", label: "Viewfinder", note: "to cut out, in the frame's proportion" },
  { what: "tilts", label: "Clock-face card", note: "tilts by the hour" },
  { what: "grid", label: "Grid for the sheet", note: "true size, centre cross" },
] as const;

const TABLES = [
  { what: "plan", label: "Plan as SVG", note: "in millimetres" },
  { what: "marks-table", label: "Marks as CSV", note: "can be read back" },
  { what: "readings-table", label: "Readings as CSV", note: "can be read back" },
] as const;

export function TakeAlong({ bench, make }: Props) {
  const [said, setSaid] = useState<string | null>(null);
  const papers =
    bench.subject.kind === "picture"
      ? [...PAPERS, { what: "print-grid", label: "Grid for the print", note: "the same squares" }]
      : PAPERS;
  const read = async (file: File) => {
    const failed = await make({ type: "read_table", table: await file.text() });
    setSaid(failed ?? "The table is in.");
  };
  return (
    <div className={styles.scroll}>
      <h2>On paper</h2>
      <p className={styles.note}>
        Print at 100 %; hold a ruler to the 100 mm bar. Cut on a board, away from the hand.
      </p>
      <List id={bench.id} items={papers} />
      <h2>As files</h2>
      <List id={bench.id} items={TABLES} />
      <div className={styles.take}>
        <Button onClick={() => download(api.fileAddress(bench.id))}>The study file</Button>
        <span>everything, to open again</span>
      </div>
      <div className={styles.take}>
        <FilePicker name="Table of readings" accept=".csv,text/csv" onFile={read}>
          Read a CSV back
        </FilePicker>
        <span>readings, or marks as drawn</span>
      </div>
      {said && <p role="status">{said}</p>}
    </div>
  );
}

function List({
  id,
  items,
}: {
  id: number;
  items: readonly { what: string; label: string; note: string }[];
}) {
  return (
    <>
      {items.map((each) => (
        <div key={each.what} className={styles.take}>
          <Button onClick={() => download(api.takeAddress(id, each.what))}>{each.label}</Button>
          <span>{each.note}</span>
        </div>
      ))}
    </>
  );
}
