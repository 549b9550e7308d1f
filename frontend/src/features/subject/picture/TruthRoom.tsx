// A real subject's truth: its photograph from the eye's own place, the landmarks tapped on it.
import { useQuery } from "@tanstack/react-query";
import { Button } from "antd";
import { useState } from "react";
import { truthOf } from "../../../api/truth";
import type { Bench, Change, PictureTaken, TruthShown } from "../../../api/types";
import type { Point } from "../../../geometry/scale";
import { Choice } from "../../../shared/Choice";
import { Coming } from "../../../shared/Coming";
import { PictureUpload } from "../../../shared/PictureUpload";
import { PointBoard } from "../../../shared/PointBoard";
import styles from "./Picture.module.css";

type Props = {
  bench: Bench;
  make: (change: Change) => Promise<string | null>;
  onLeave: () => void;
};
type Landmark = TruthShown["landmarks"][number];

export function TruthRoom({ bench, make, onLeave }: Props) {
  const truth = useQuery(truthOf(bench));
  const [chosen, setChosen] = useState<string | null | undefined>(undefined);
  /** Tapped, whatever the server does meanwhile. */
  const [sent, setSent] = useState<ReadonlySet<string>>(new Set());
  const [edge, setEdge] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const room = truth.data;
  if (!room) {
    return truth.error ? <p role="alert">{truth.error.message}</p> : <Coming what="Fetching…" />;
  }
  const tell = async (change: Change) => {
    const wrong = await make(change);
    setTrouble(wrong);
    return wrong === null;
  };
  const take = (taken: PictureTaken) =>
    tell({
      type: "set_subject_photograph",
      photograph: { picture: taken.picture, width: taken.width, height: taken.height, edge: [] },
    });
  const photograph = room.photograph;
  if (!photograph) {
    return <Before onTaken={take} onLeave={onLeave} trouble={trouble} />;
  }
  const { width, height, edge: along = [] } = photograph;
  const share = ([x, y]: readonly [number, number]): Point => ({ x: x / width, y: y / height });
  const next = chosen === undefined ? firstOpen(room.landmarks, sent) : chosen;
  const set = async (at: Point) => {
    const pixels: [number, number] = [tenth(at.x * width), tenth(at.y * height)];
    if (edge) {
      tell({
        type: "set_subject_photograph",
        photograph: { ...photograph, edge: [...along, pixels] },
      });
    } else if (next) {
      const now = new Set(sent).add(next);
      setSent(now);
      setChosen(firstOpen(room.landmarks, now));
      if (!(await tell({ type: "mark_photographed", landmark: next, at: pixels }))) {
        setSent((old) => new Set([...old].filter((each) => each !== next)));
        setChosen(next);
      }
    }
  };
  return (
    <div className={styles.room}>
      <PointBoard
        label="The photograph of the subject"
        image={`/api/v1/pictures/${photograph.picture}/view?longest=2400`}
        tall={height / width}
        dots={room.landmarks.flatMap(({ id, name, at }) =>
          at ? [{ id, name, at: share(at) }] : [],
        )}
        chosen={edge ? "" : next}
        points={along.map(share)}
        onSet={set}
        {...(edge ? {} : { onChoose: setChosen })}
      />
      <div className={styles.tools}>
        <Choice
          block
          options={[
            { value: false, label: "Landmarks" },
            { value: true, label: "A straight edge" },
          ]}
          value={edge}
          onChange={setEdge}
        />
        <p role="status">
          {edge
            ? "Tap four places or more along one edge that is straight in reality, far from the middle: the lens is straightened by it."
            : asked(room.landmarks, next)}
        </p>
        {edge ? (
          along.length > 0 && (
            <Button
              onClick={() =>
                tell({ type: "set_subject_photograph", photograph: { ...photograph, edge: [] } })
              }
            >
              Take the edge back
            </Button>
          )
        ) : (
          <ul className={styles.landmarks} aria-label="Landmarks on the photograph">
            {room.landmarks.map(({ id, name, at }) => (
              <li key={id}>
                <button type="button" aria-pressed={id === next} onClick={() => setChosen(id)}>
                  {at && "✓ "}
                  {name}
                </button>
              </li>
            ))}
          </ul>
        )}
        <h2>How near you came</h2>
        {room.said.map((each) => (
          <p key={each}>{each}</p>
        ))}
        <TakenOut room={room} tell={tell} />
        {trouble && <p role="alert">{trouble}</p>}
        <p className={styles.row}>
          <Button onClick={onLeave}>Back to the subject</Button>
          <Button
            type="text"
            onClick={() => tell({ type: "set_subject_photograph", photograph: null })}
          >
            Take the photograph away
          </Button>
        </p>
      </div>
    </div>
  );
}

function Before({
  onTaken,
  onLeave,
  trouble,
}: {
  onTaken: (taken: PictureTaken) => void;
  onLeave: () => void;
  trouble: string | null;
}) {
  return (
    <section className={styles.before}>
      <h1>The truth by a photograph</h1>
      <p>
        Once your sighting is done: photograph the subject from where your eye was, just as far off,
        the lens not at its widest. You tap your landmarks on it; Zirkel lays it over your block-in,
        and tells how near you came and what your hand does always.
      </p>
      <p>
        It never stands for sighting: some schools say that what was corrected by a photograph is no
        drawing any more. Nothing of your readings is changed unless you say so.
      </p>
      <p className={styles.row}>
        <PictureUpload label="Take in the photograph" primary onTaken={onTaken} />
        <Button size="large" onClick={onLeave}>
          Not yet
        </Button>
      </p>
      {trouble && <p role="alert">{trouble}</p>}
    </section>
  );
}

function TakenOut({ room, tell }: { room: TruthShown; tell: (change: Change) => void }) {
  const { offered, taken_out: out } = room;
  return (
    <p className={styles.row}>
      {offered && (
        <Button type="primary" onClick={() => tell({ type: "set_leanings", ...offered })}>
          Reckon with what my hand does
        </Button>
      )}
      {out && (
        <Button onClick={() => tell({ type: "set_leanings", length: 0, tilt_degrees: 0 })}>
          Take readings as they are
        </Button>
      )}
    </p>
  );
}

/** The first landmark that was not tapped yet. */
function firstOpen(landmarks: readonly Landmark[], sent: ReadonlySet<string>): string | null {
  return landmarks.find((each) => !each.at && !sent.has(each.id))?.id ?? null;
}

function asked(landmarks: readonly Landmark[], next: string | null): string {
  const name = landmarks.find((each) => each.id === next)?.name;
  return name ? `Tap ${name}.` : "All landmarks are tapped. Choose one to set it anew.";
}

function tenth(value: number): number {
  return Math.round(value * 10) / 10;
}
