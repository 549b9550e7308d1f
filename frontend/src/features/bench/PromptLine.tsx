// What is asked, in one line under pictures that have the whole width.
import { Button } from "antd";
import { Said } from "../../shared/Said";
import styles from "./PromptLine.module.css";
import { WORKING_OUT } from "./prompter";
import type { Room } from "./useBenchRoom";

export function PromptLine({ room }: { room: Room }) {
  const { bench, next, pad } = room;
  const doubt = bench.doubts.find((each) => !each.kept);
  const held = bench.landmarks.filter((each) => each.standing !== "loose").length;
  const surest = bench.sheet.said_surest;
  const { prompt } = next;
  return (
    <aside className={styles.line} aria-label="Sight next">
      <p className={styles.ask}>
        {prompt?.ask ??
          (next.data
            ? "Nothing more is worth sighting: every landmark is held and checked."
            : WORKING_OUT)}
      </p>
      {prompt && (
        <>
          <Button type="primary" size="large" onClick={() => pad.takeUp(prompt)}>
            Take it
          </Button>
          <Button size="large" onClick={next.another}>
            Another
          </Button>
        </>
      )}
      {doubt && (
        <p className={styles.doubt}>
          <b>Doesn't agree</b> <Said text={doubt.headline} />
        </p>
      )}
      {doubt && (
        <Button size="large" onClick={() => pad.correct(doubt.sighting, true)}>
          Sight again
        </Button>
      )}
      <p className={styles.held}>
        {held} of {bench.landmarks.length} held
        {surest !== null && (
          <span>
            within <Said text={surest} />
          </span>
        )}
      </p>
    </aside>
  );
}
