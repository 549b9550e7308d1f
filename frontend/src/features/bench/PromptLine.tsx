// What is asked, in one line under pictures that have the whole width.
import { Button } from "antd";
import { Said } from "../../shared/Said";
import styles from "./PromptLine.module.css";
import { Enough, WORKING_OUT } from "./prompter";
import type { Room } from "./useBenchRoom";

export function PromptLine({ room }: { room: Room }) {
  const { bench, next, pad } = room;
  const doubt = bench.doubts.find((each) => !each.kept);
  const held = bench.landmarks.filter((each) => each.standing !== "loose").length;
  const tier = bench.tiers.find((each) => !each.sure) ?? bench.tiers[0];
  const { prompt } = next;
  return (
    <aside className={styles.line} aria-label="Sight next">
      {next.enough ? (
        <Enough study={bench.id} next={next} />
      ) : (
        <p className={styles.ask}>
          {prompt?.ask ?? (next.data ? "Nothing more to ask: it would add little." : WORKING_OUT)}
        </p>
      )}
      {prompt && (
        <>
          <Button
            type="primary"
            size="large"
            disabled={next.stale}
            onClick={() => pad.takeUp(prompt)}
          >
            Take it
          </Button>
          <Button size="large" disabled={next.stale || next.only} onClick={next.another}>
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
        {tier && <span>{tier.said}</span>}
      </p>
    </aside>
  );
}
