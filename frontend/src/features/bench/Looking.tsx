// In the corner of the picture: how close it is looked at, which names stand, how wide it is.
import { Button } from "antd";
import styles from "./BenchRoom.module.css";
import type { Room } from "./useBenchRoom";

const STEP = 1.6;
const MIDDLE = { x: 0, y: 0 };

export function Looking({ room }: { room: Room }) {
  const { looking } = room;
  return (
    <div className={styles.looking} role="toolbar" aria-label="How the picture is looked at">
      <Button aria-label="Look closer" onClick={() => looking.zoomAt(STEP, MIDDLE)}>
        +
      </Button>
      {looking.view.zoom > 1 && (
        <>
          <Button aria-label="From further" onClick={() => looking.zoomAt(1 / STEP, MIDDLE)}>
            −
          </Button>
          <Button onClick={looking.whole}>As a whole</Button>
        </>
      )}
      <Button
        aria-label="All names"
        aria-pressed={room.allNames}
        onClick={room.nameAll}
        className={styles.names ?? ""}
      >
        Names
      </Button>
      <Button aria-pressed={room.wide} onClick={room.widen} className={styles.widen}>
        {room.wide ? "With the side" : "Larger"}
      </Button>
    </div>
  );
}
