// Over the subject's side: the stick to be taken up, the truth to be revealed, what spoils a hand.
import { Button } from "antd";
import { LookKey } from "../../shared/LookKey";
import styles from "./BenchRoom.module.css";
import own from "./SubjectTools.module.css";
import { StickBar } from "./stick";
import type { Room } from "./useBenchRoom";

export function SubjectTools({ room }: { room: Room }) {
  const { bench, stick, revealed, truth } = room;
  const { subject } = bench;
  return (
    <>
      {stick.inHand && (
        <StickBar
          stick={stick}
          unit={bench.unit?.name ?? "unit"}
          asked={room.next.prompt}
          stale={room.next.stale}
          onTake={() => room.next.prompt && room.pad.takeUp(room.next.prompt)}
        />
      )}
      {(subject.kind !== "thumbnail" || subject.revealing) && !stick.inHand && (
        <div className={styles.subjectTools}>
          {subject.kind !== "thumbnail" && (
            <Button onClick={stick.toggle}>Take up the stick</Button>
          )}
          <LookKey shown={subject} />
          {subject.revealing && (
            <Button onClick={room.reveal} aria-pressed={revealed}>
              {revealed ? "Hide the truth" : "Reveal the truth"}
            </Button>
          )}
          {subject.faults.length > 0 && <p>A human hand: {subject.faults.join("; ")}.</p>}
        </div>
      )}
      {revealed && (
        <p role="status" className={own.revealed}>
          {truth.data?.said ?? truth.error?.message ?? "Looking behind the curtain…"}
        </p>
      )}
    </>
  );
}
