// What is taken along: papers at true size, the plan, tables, the study file; readings back in.
import { useQuery } from "@tanstack/react-query";
import { Button } from "antd";
import { useState } from "react";
import { api } from "../../api/client";
import { queries } from "../../api/queries";
import type { Bench, Change } from "../../api/types";
import { download } from "../../shared/download";
import { FilePicker } from "../../shared/FilePicker";
import { useArtist } from "../../shared/useArtist";
import styles from "./Recipe.module.css";

type Props = { bench: Bench; make: (change: Change) => Promise<string | null> };

export function TakeAlong({ bench, make }: Props) {
  const [said, setSaid] = useState<string | null>(null);
  const papers = useQuery(queries.papers(bench.id)).data?.papers ?? [];
  const read = async (file: File) => {
    const failed = await make({ type: "read_table", table: await file.text() });
    setSaid(failed ?? "It is in.");
  };
  return (
    <div className={styles.scroll}>
      <h2>On paper</h2>
      <p className={styles.note}>
        Print at 100 %; hold a ruler to the 100 mm bar. Cut on a board, away from the hand.
      </p>
      <List id={bench.id} items={papers.filter((each) => each.printed)} />
      <h2>As files</h2>
      <List id={bench.id} items={papers.filter((each) => !each.printed)} />
      <div className={styles.take}>
        <Button onClick={() => download(api.fileAddress(bench.id))}>The study file</Button>
        <span>everything, to open again</span>
      </div>
      <div className={styles.take}>
        <Button onClick={() => download(api.kitAddress(bench.id))}>A kit of this subject</Button>
        <span>to begin others with</span>
      </div>
      <div className={styles.take}>
        <FilePicker name="Table or plan" accept=".csv,.svg,text/csv,image/svg+xml" onFile={read}>
          Read a table or plan back
        </FilePicker>
        <span>readings or marks as CSV, the plan as SVG with its marks moved</span>
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
  const artist = useArtist();
  return (
    <>
      {items.map((each) => (
        <div key={each.what} className={styles.take}>
          <Button onClick={() => download(api.takeAddress(id, each.what, artist))}>
            {each.label}
          </Button>
          <span>{each.note}</span>
        </div>
      ))}
    </>
  );
}
