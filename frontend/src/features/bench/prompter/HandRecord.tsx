// What photographs of other subjects have told of the hand, offered once to a drawing from life.
import { useQuery } from "@tanstack/react-query";
import { Button } from "antd";
import { handRecordOf } from "../../../api/truth";
import type { Bench, Change } from "../../../api/types";
import styles from "./Prompter.module.css";

type Props = { bench: Bench; make: (change: Change) => void };

export function HandRecord({ bench, make }: Props) {
  const asked = bench.artist.leanings === null && bench.subject.kind !== "scene";
  const record = useQuery({ ...handRecordOf(bench), enabled: asked }).data;
  const offered = asked && record?.offered;
  if (!offered) {
    return null;
  }
  return (
    <section aria-label="What your hand does">
      <h2 className={styles.label}>What your hand does</h2>
      <p className={styles.because}>
        {record.studies === 1
          ? "By the photograph of a subject: "
          : `By photographs of ${record.studies} subjects: `}
        {record.record.join(" ")}
      </p>
      <div className={styles.actions}>
        <Button onClick={() => make({ type: "set_leanings", ...offered })}>Reckon with it</Button>
        <Button onClick={() => make({ type: "set_leanings", length: 0, tilt_degrees: 0 })}>
          As I read
        </Button>
      </div>
    </section>
  );
}
