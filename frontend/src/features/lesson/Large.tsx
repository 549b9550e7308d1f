// One pupil's block-in for all to see, with the name or without; the next by a key.
import { Button } from "antd";
import { useState } from "react";
import { api } from "../../api/client";
import type { LessonWall as Wall } from "../../api/types";
import { Dialog } from "../../shared/Dialog";
import { download } from "../../shared/download";
import styles from "./Large.module.css";
import { Overlay } from "./Overlay";

export function Large({
  wall,
  study,
  onShow,
}: {
  wall: Wall;
  study: number;
  onShow: (study: number | null) => void;
}) {
  const [named, setNamed] = useState(false);
  const at = wall.pupils.findIndex((each) => each.study_id === study);
  const shown = wall.pupils[at];
  const step = (by: number) => {
    const next = wall.pupils[(at + by + wall.pupils.length) % wall.pupils.length];
    onShow(next?.study_id ?? null);
  };
  if (!shown) {
    return null;
  }
  return (
    <Dialog open wide title={named ? shown.name : wall.title} onClose={() => onShow(null)}>
      <div className={styles.large}>
        <Overlay truth={wall.truth} lines={shown.lines} label="A block-in over the truth" />
      </div>
      <div className={styles.keys}>
        <Button size="large" onClick={() => step(-1)}>
          Before
        </Button>
        <Button size="large" onClick={() => step(1)}>
          Next
        </Button>
        <Button size="large" aria-pressed={named} onClick={() => setNamed(!named)}>
          {named ? "Without the name" : "With the name"}
        </Button>
        <Button size="large" onClick={() => download(api.fileAddress(shown.study_id))}>
          The file, to take home
        </Button>
      </div>
    </Dialog>
  );
}
