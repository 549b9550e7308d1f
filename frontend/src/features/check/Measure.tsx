// Getting the drawing in: by a photograph, by ruler, by the stick, or any mixture of them.
import { Button } from "antd";
import { useState } from "react";
import type { Bench, Change, CheckRoom } from "../../api/types";
import { Choice } from "../../shared/Choice";
import { PictureUpload } from "../../shared/PictureUpload";
import { Said } from "../../shared/Said";
import styles from "./Check.module.css";
import { Judging } from "./Judging";
import { Marks } from "./Marks";
import { Ruler } from "./Ruler";
import { Stick } from "./Stick";
import type { Marking } from "./useMarking";

type Props = {
  bench: Bench;
  room: CheckRoom;
  marking: Marking;
  /** The room is of this version of the drawing. */
  fresh: boolean;
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
  const { bench, room, marking, tell, said, onCheck, onBack } = props;
  const { chosen, setChosen: onChoose } = marking;
  const [way, setWay] = useState<Way>("Photograph");
  return (
    <>
      <h2>Where does your drawing stand?</h2>
      <Choice
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

function OnPhotograph(props: Props) {
  const { room, onPicture, onCorners } = props;
  const taken = room.photograph;
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
      <Marks {...props} />
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
