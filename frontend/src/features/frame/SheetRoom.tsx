// Frame and fit: what is taken in, how it lies on the sheet, what could run off.
import { Button, Input, InputNumber, Select, Switch } from "antd";
import { useState } from "react";
import type { Bench, Change, SheetRoom as Room, RoomFrame } from "../../api/types";
import { Choice } from "../../shared/Choice";
import { Coming } from "../../shared/Coming";
import { Said } from "../../shared/Said";
import { Fit } from "./Fit";
import styles from "./Sheet.module.css";
import { type Props, useSheet } from "./useSheet";
import { Viewfinder } from "./Viewfinder";

export function SheetRoom({ bench, make }: Props) {
  const sheet = useSheet(bench, make);
  const [negative, setNegative] = useState(false);
  const [bare, setBare] = useState(!bench.readings.length);
  const { room, frame } = sheet;
  if (sheet.error) {
    return <p role="alert">{sheet.error.message}</p>;
  }
  if (!room || !frame) {
    return <Coming what="Looking through the viewfinder…" />;
  }
  return (
    <div className={styles.room}>
      <section className={styles.side}>
        <h2>What is taken in</h2>
        <Viewfinder
          bench={bench}
          room={room}
          frame={frame}
          negative={negative}
          bare={bare}
          onMove={sheet.move}
        />
        {bench.subject.kind === "scene" && (
          <Choice
            options={[
              { label: "As measured", value: false },
              { label: "The scene", value: true },
            ]}
            value={bare}
            onChange={setBare}
          />
        )}
        <div className={styles.row}>
          <Select
            aria-label="Proportion of the frame"
            className={styles.own}
            value={sheet.ratio ?? 0}
            options={[
              { value: 0, label: "any" },
              ...room.proportions.map((each) => ({ value: each.ratio, label: each.name })),
            ]}
            onChange={(value) => {
              sheet.setRatio(value || null);
              const chosen = room.proportions.find((each) => each.ratio === value);
              if (chosen) {
                sheet.try(chosen.frame);
              }
            }}
          />
          <label className={styles.row}>
            <Switch checked={negative} onChange={setNegative} /> Negative shapes
          </label>
        </div>
        <div className={styles.row}>
          <Button
            type="primary"
            size="large"
            disabled={!sheet.changed}
            onClick={() => sheet.keep(frame)}
          >
            Use this frame
          </Button>
          {sheet.changed && (
            <Button size="large" onClick={sheet.forget}>
              Back
            </Button>
          )}
          {room.framed && !sheet.changed && (
            <Button size="large" onClick={() => sheet.keep(null)}>
              Take in all landmarks
            </Button>
          )}
        </div>
        <Facts
          room={room}
          onTurn={() =>
            sheet.tell({
              type: "set_sheet",
              sheet: {
                width_mm: bench.sheet.height_mm,
                height_mm: bench.sheet.width_mm,
                margin_mm: bench.sheet.margin_left_mm,
              },
            })
          }
        />
      </section>
      <section className={styles.side}>
        <h2>How it lies on the sheet</h2>
        <Fit
          bench={bench}
          room={room}
          onPlace={(across, down) =>
            sheet.tell({ type: "set_placement", placement: { across, down } })
          }
        />
        <div className={styles.row}>
          {room.placements.map((each) => (
            <Button
              key={each.name}
              type={each.here ? "primary" : "default"}
              onClick={() =>
                sheet.tell({
                  type: "set_placement",
                  placement: { across: each.across, down: each.down },
                })
              }
            >
              {capital(each.name)}
            </Button>
          ))}
        </div>
        {room.overruns.length > 0 && (
          <ul className={styles.overruns} aria-label="What could run off">
            {room.overruns.map((each) => (
              <li key={each}>
                <b aria-hidden="true">!</b> {each}
              </li>
            ))}
          </ul>
        )}
      </section>
      <section className={styles.numbers}>
        <Sizes bench={bench} room={room} tell={sheet.tell} />
        <Frames room={room} frame={frame} tell={sheet.tell} onTry={sheet.try} />
        {sheet.trouble && (
          <p role="alert" className={styles.bad}>
            {sheet.trouble}
          </p>
        )}
      </section>
    </div>
  );
}

function Facts({ room, onTurn }: { room: Room; onTurn: () => void }) {
  const subject = Math.round(100 * room.subject_share);
  const turned = room.suggested !== "either" && room.suggested !== room.direction;
  return (
    <div className={styles.facts}>
      <p>
        <b>
          <Said text={`${room.width_said} ${room.unit_many} wide, ${room.height_said} high`} />
        </b>
        . {subject} % subject, {100 - subject} % background.
      </p>
      {turned && (
        <p className={styles.row}>
          <span className={styles.bad}>This asks for the sheet {room.suggested}.</span>
          <Button onClick={onTurn}>Turn the sheet</Button>
        </p>
      )}
      <ul>
        {room.touches.slice(0, 6).map((each) => (
          <li key={`${each.landmark} ${each.edge}`}>
            <Said text={each.said} />
          </li>
        ))}
      </ul>
    </div>
  );
}

type Tell = (change: Change) => Promise<void>;

function Sizes({ bench, room, tell }: { bench: Bench; room: Room; tell: Tell }) {
  const [own, setOwn] = useState<number | null>(null);
  return (
    <div>
      <h2>One {room.unit} on the sheet</h2>
      <Choice
        options={[
          { value: "mm", label: "mm" },
          { value: "in", label: "inches" },
        ]}
        value={room.inches ? "in" : "mm"}
        onChange={(value) => tell({ type: "set_lengths", inches: value === "in" })}
      />
      <ul className={styles.offers} aria-label="Lengths for the unit">
        {room.offers.map((each) => (
          <li key={`${each.why} ${each.unit_mm}`}>
            <button
              type="button"
              aria-pressed={each.here}
              data-unit={each.unit_mm}
              onClick={() => tell({ type: "set_unit_size", unit_mm: each.unit_mm })}
            >
              <b>
                <Said text={each.said} />
              </b>
              <span>
                {each.why !== "round" && `${each.why}: `}
                <Said text={each.size_said} />
              </span>
              <small data-fits={each.fits}>{each.cost_said}</small>
            </button>
          </li>
        ))}
      </ul>
      {room.print_unit_mm && (
        <Enlarge printed={room.print_unit_mm} on={bench.sheet.unit_mm} tell={tell} />
      )}
      <div className={styles.row}>
        <InputNumber
          className={styles.own}
          aria-label="My own length of the unit"
          placeholder="my own"
          min={0.5}
          suffix="mm"
          value={own}
          onChange={setOwn}
        />
        <Button
          disabled={!own}
          onClick={() => own && tell({ type: "set_unit_size", unit_mm: own })}
        >
          Use it
        </Button>
        {bench.sheet.unit_chosen && (
          <Button type="text" onClick={() => tell({ type: "set_unit_size", unit_mm: null })}>
            Largest round one
          </Button>
        )}
      </div>
    </div>
  );
}

/** The unit by how many times the print it is to be. */
function Enlarge({ printed, on, tell }: { printed: number; on: number | null; tell: Tell }) {
  const [times, setTimes] = useState<number | null>(null);
  return (
    <div className={styles.row}>
      <InputNumber
        className={styles.own}
        aria-label="How many times the print"
        placeholder={on ? (on / printed).toFixed(2) : "2"}
        min={0.05}
        max={100}
        step={0.25}
        suffix="times"
        value={times}
        onChange={setTimes}
      />
      <Button
        disabled={!times}
        onClick={() => times && tell({ type: "set_unit_size", unit_mm: times * printed })}
      >
        Enlarge the print
      </Button>
    </div>
  );
}

function Frames({
  room,
  frame,
  tell,
  onTry,
}: {
  room: Room;
  frame: RoomFrame;
  tell: Tell;
  onTry: (frame: RoomFrame) => void;
}) {
  const [name, setName] = useState("");
  const keep = () => {
    if (name.trim()) {
      tell({ type: "keep_frame", frame: { ...frame, name: name.trim() } });
      setName("");
    }
  };
  return (
    <div>
      <h2>Frames kept</h2>
      <div className={styles.row}>
        <Input
          aria-label="Name of this frame"
          placeholder="Keep this frame as…"
          value={name}
          maxLength={80}
          onChange={(event) => setName(event.target.value)}
          onPressEnter={keep}
        />
        <Button onClick={keep} disabled={!name.trim()}>
          Keep it
        </Button>
      </div>
      <ul className={styles.frames}>
        {room.kept.map((each) => (
          <li key={each.name}>
            <svg viewBox="0 0 60 60" width="60" height="60" aria-hidden="true">
              <rect {...thumb(each.width, each.height)} className={styles.window} />
            </svg>
            <span>
              <b>{each.name}</b>
              <br />
              {each.width.toFixed(2)} × {each.height.toFixed(2)} · {each.direction} ·{" "}
              {Math.round(100 * each.subject_share)} % subject · {room.unit} up to {each.unit_said}
            </span>
            <Button onClick={() => onTry(each.frame)}>Look</Button>
            <Button
              type="text"
              aria-label={`Drop the frame ${each.name}`}
              onClick={() => tell({ type: "drop_frame", name: each.name })}
            >
              Drop
            </Button>
          </li>
        ))}
      </ul>
    </div>
  );
}

function thumb(width: number, height: number) {
  const per = 52 / Math.max(width, height);
  const [w, h] = [width * per, height * per];
  return { x: 30 - w / 2, y: 30 - h / 2, width: w, height: h };
}

function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
