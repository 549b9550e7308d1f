// A picture as the subject: turned to true, cropped, looked at in few tones; landmarks set on it.
import { Button, Input, Switch } from "antd";
import { useState } from "react";
import { api } from "../../../api/client";
import type { Bench, Change, PictureSubject } from "../../../api/types";
import type { Point } from "../../../geometry/scale";
import { toPicture } from "../../../geometry/turned";
import { Choice } from "../../../shared/Choice";
import { download } from "../../../shared/download";
import { Looks } from "./Looks";
import styles from "./Picture.module.css";
import { PictureBoard } from "./PictureBoard";

type Props = {
  bench: Bench;
  picture: PictureSubject;
  make: (change: Change) => Promise<string | null>;
};

const MODES = [
  { value: "landmarks", label: "Landmarks" },
  { value: "turn", label: "Turn to true" },
  { value: "measure", label: "True size" },
  { value: "crop", label: "Crop" },
];

const HINTS: Record<string, string> = {
  landmarks: "Name a landmark or choose one, then set it on the picture.",
  turn: "Set two points on an edge that is plumb or level in reality.",
  measure: "Set two points, say how far apart they are on the print itself, then Keep.",
  crop: "Set two opposite corners of what you take in.",
};

export function PictureRoom({ bench, picture, make }: Props) {
  const [mode, setMode] = useState("landmarks");
  const [chosen, setChosen] = useState<string | null>(null);
  const [name, setName] = useState("");
  const [points, setPoints] = useState<Point[]>([]);
  const [length, setLength] = useState("");
  const [said, setSaid] = useState<string | null>(null);
  const tell = async (change: Change, done: string) => setSaid((await make(change)) ?? done);
  const look = (part: Partial<PictureSubject>) =>
    tell({ type: "set_subject", subject: { ...picture, ...part } }, "");

  const set = (at: Point) => {
    const here = toPicture(picture, at);
    const rough: [number, number] = [round(here.x), round(here.y)];
    if (mode === "landmarks") {
      if (chosen) {
        const old = bench.landmarks.find((each) => each.id === chosen);
        const landmark = { id: chosen, name: old?.name ?? chosen, tier: old?.tier ?? 1, rough };
        tell({ type: "edit_landmark", landmark }, "Set.");
      } else if (name.trim()) {
        tell({ type: "add_landmark", name: name.trim(), tier: 1, rough }, `${name.trim()} is set.`);
        setName("");
      } else {
        setSaid("Give it a name first, or choose one from the list.");
      }
      return;
    }
    const both = points.length === 2 ? [at] : [...points, at];
    if (both.length < 2 || mode === "measure") {
      setPoints(both);
      return;
    }
    setPoints([]);
    if (mode === "turn") {
      tell({ type: "turn_picture", ...ends(both) }, "Turned.");
    } else if (mode === "crop") {
      crop(both as [Point, Point]);
    }
  };

  const ends = (both: readonly Point[]) => {
    const [a, b] = both.map((each) => toPicture(picture, each)) as [Point, Point];
    return { start: [a.x, a.y] as [number, number], end: [b.x, b.y] as [number, number] };
  };

  const measure = async () => {
    if (points.length === 2 && length.trim()) {
      const change = { type: "measure_picture", ...ends(points), length_mm: length } as Change;
      const wrong = await make(change);
      setSaid(wrong ?? `Between these two points it is ${length.trim()}: its true size is known.`);
      if (wrong === null) {
        setPoints([]);
        setLength("");
      }
    }
  };

  const crop = ([a, b]: [Point, Point]) => {
    const [left = 0, top = 0, right = 1, bottom = 1] = picture.crop;
    const x = [a.x, b.x].sort((p, q) => p - q).map((each) => left + each * (right - left));
    const y = [a.y, b.y].sort((p, q) => p - q).map((each) => top + each * (bottom - top));
    look({ crop: [x[0] ?? 0, y[0] ?? 0, x[1] ?? 1, y[1] ?? 1] });
  };

  return (
    <div className={styles.room}>
      <PictureBoard
        bench={bench}
        picture={picture}
        chosen={chosen}
        points={points}
        onSet={set}
        {...(mode === "landmarks"
          ? { onChoose: (id: string) => setChosen(id === chosen ? null : id) }
          : {})}
      />
      <div className={styles.tools}>
        <Choice
          block
          options={MODES}
          value={mode}
          onChange={(value) => {
            setMode(value);
            setPoints([]);
            setSaid(null);
          }}
        />
        <p role="status">{said || HINTS[mode]}</p>
        {mode === "landmarks" && (
          <Landmarks
            bench={bench}
            chosen={chosen}
            name={name}
            onName={(text) => {
              setName(text);
              setChosen(null);
            }}
            onChoose={setChosen}
          />
        )}
        {mode === "measure" && (
          <form
            className={styles.row}
            onSubmit={(event) => {
              event.preventDefault();
              measure();
            }}
          >
            <label>
              Between the two points{" "}
              <Input
                value={length}
                placeholder="mm, cm or in"
                maxLength={40}
                onChange={(event) => setLength(event.target.value)}
              />
            </label>
            <Button type="primary" htmlType="submit" disabled={points.length < 2 || !length.trim()}>
              Keep
            </Button>
          </form>
        )}
        {mode === "crop" && (
          <Button onClick={() => look({ crop: [0, 0, 1, 1] })}>Take in the whole picture</Button>
        )}
        <Looks key={bench.version} picture={picture} look={look} />
        <section>
          <h2>Readings off the picture</h2>
          <p>
            On a flat reference Zirkel can read every landmark itself. Such readings are marked as
            computed, and your own stay.
          </p>
          <label className={styles.row}>
            <Switch checked={picture.silent} onChange={(silent) => look({ silent })} />
            Keep silent: I look first
          </label>
          <div className={styles.row}>
            <Button
              disabled={picture.silent}
              onClick={() => tell({ type: "read_picture" }, "Read off, and marked as computed.")}
            >
              Read all landmarks
            </Button>
            <Button
              disabled={!picture.mm_per_px}
              title={picture.mm_per_px ? "" : "Measure one length first"}
              onClick={() => download(api.printAddress(bench.id))}
            >
              Print at true size
            </Button>
          </div>
        </section>
      </div>
    </div>
  );
}

function Landmarks({
  bench,
  chosen,
  name,
  onName,
  onChoose,
}: {
  bench: Bench;
  chosen: string | null;
  name: string;
  onName: (text: string) => void;
  onChoose: (id: string) => void;
}) {
  return (
    <section>
      <Input
        aria-label="Name of a new landmark"
        placeholder="A new landmark: name it, then set it"
        value={name}
        maxLength={200}
        onChange={(event) => onName(event.target.value)}
      />
      <ul className={styles.landmarks} aria-label="Landmarks">
        {bench.landmarks.map((each) => (
          <li key={each.id}>
            <button
              type="button"
              aria-pressed={each.id === chosen}
              onClick={() => onChoose(each.id)}
            >
              {each.name}
              {!each.rough && <small> not set yet</small>}
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}

function round(value: number): number {
  return Math.round(value * 100) / 100;
}
