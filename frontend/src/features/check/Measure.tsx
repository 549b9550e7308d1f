// Getting the drawing in: by a photograph, by ruler, by the stick, or any mixture of them.
import { Button, Segmented, Switch } from "antd";
import { useState } from "react";
import type { Bench, Change, CheckRoom } from "../../api/types";
import { PictureUpload } from "../../shared/PictureUpload";
import { Said } from "../../shared/Said";
import styles from "./Check.module.css";
import { Judging } from "./Judging";
import { Ruler } from "./Ruler";
import { Stick } from "./Stick";

type Props = {
  bench: Bench;
  room: CheckRoom;
  chosen: string | null;
  onChoose: (landmark: string | null) => void;
  expected: boolean;
  onExpected: (on: boolean) => void;
  onPicture: (picture: string) => void;
  onCorners: () => void;
  tell: (change: Change, done?: string) => Promise<boolean>;
  said: string | null;
  onCheck: () => void;
  onBack: (() => void) | null;
};

const WAYS = ["Photograph", "Ruler", "Stick"] as const;
type Way = (typeof WAYS)[number];

export function Measure(props: Props) {
  const { bench, room, chosen, onChoose, tell, said, onCheck, onBack } = props;
  const [way, setWay] = useState<Way>("Photograph");
  return (
    <>
      <h2>Where does your drawing stand?</h2>
      <Segmented
        block
        options={[...WAYS]}
        value={way}
        onChange={(value) => setWay(value as Way)}
        aria-label="Way of measuring the drawing"
      />
      <div className={styles.scroll}>
        {way === "Photograph" && <OnPhotograph {...props} />}
        {way === "Ruler" && (
          <Ruler bench={bench} room={room} chosen={chosen} tell={tell} onChoose={onChoose} />
        )}
        {way === "Stick" && <Stick bench={bench} room={room} tell={tell} />}
        {room.measures.length > 0 && (
          <section>
            <h3>Measured on the drawing</h3>
            <ul className={styles.measures}>
              {room.measures.map((each) => (
                <li key={each.id} data-doubt={Boolean(each.doubt)}>
                  <span>
                    <Said text={each.said} />
                    {each.doubt && <em> {each.doubt}</em>}
                  </span>
                  <Button
                    size="small"
                    aria-label={`Take back: ${each.said}`}
                    onClick={() => tell({ type: "drop_measure", id: each.id })}
                  >
                    Take back
                  </Button>
                </li>
              ))}
            </ul>
          </section>
        )}
        <Judging key={bench.version} room={room} tell={tell} inches={bench.inches} />
      </div>
      <p role="status" className={styles.note}>
        {said || room.missing || room.afloat || "There is enough to check. More makes it surer."}
      </p>
      <div className={styles.row}>
        {onBack && (
          <Button size="large" onClick={onBack}>
            The last check
          </Button>
        )}
        <Button
          type="primary"
          size="large"
          disabled={Boolean(room.missing)}
          onClick={onCheck}
          title={room.missing ?? ""}
        >
          {room.eye_first ? "First I look" : "Check it"}
        </Button>
      </div>
    </>
  );
}

function OnPhotograph({
  room,
  chosen,
  onChoose,
  expected,
  onExpected,
  onPicture,
  onCorners,
  tell,
}: Props) {
  const taken = room.photograph;
  const name = room.landmarks.find((each) => each.id === chosen)?.name;
  if (!taken) {
    return (
      <section>
        <p>
          Take a photograph of the sheet with all four corners on it, as flat and as large as it
          will go. It may be askew: Zirkel finds the corners and takes the slant out.
        </p>
        <PictureUpload
          primary
          label="Photograph of the drawing"
          onTaken={(p) => onPicture(p.picture)}
        />
      </section>
    );
  }
  return (
    <section>
      <p className={styles.large} aria-live="polite">
        {name ? `Tap where ${name} is drawn.` : "Choose a landmark, then tap where it is drawn."}
      </p>
      <label className={styles.switch}>
        <Switch checked={expected} onChange={onExpected} /> Show where it should be
      </label>
      <ul className={styles.landmarks} aria-label="Landmarks">
        {room.landmarks.map((each) => (
          <li key={each.id}>
            <button
              type="button"
              aria-pressed={each.id === chosen}
              data-marked={each.marked}
              onClick={() => onChoose(each.id === chosen ? null : each.id)}
            >
              {each.marked ? "✓ " : ""}
              {each.name}
            </button>
          </li>
        ))}
      </ul>
      {chosen && room.landmarks.find((each) => each.id === chosen)?.marked && (
        <Button onClick={() => tell({ type: "mark_drawn", landmark: chosen, at: null })}>
          Take its mark back
        </Button>
      )}
      <p className={styles.note}>
        A place tapped here is good to about <Said text={taken.sigma} />.
      </p>
      <div className={styles.row}>
        <PictureUpload label="A new photograph" onTaken={(p) => onPicture(p.picture)} />
        <Button size="large" onClick={onCorners}>
          The corners
        </Button>
      </div>
    </section>
  );
}
