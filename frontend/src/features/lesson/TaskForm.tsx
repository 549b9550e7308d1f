// What the class is asked: what to hand in, with what, until when, and what to look for.
import { Button } from "antd";
import type { LessonList } from "../../api/types";
import { Choice } from "../../shared/Choice";
import { PictureUpload } from "../../shared/PictureUpload";
import styles from "./TaskForm.module.css";
import type { Draft } from "./useTask";

type Props = {
  data: LessonList;
  draft: Draft;
  set: (some: Partial<Draft>) => void;
};

const HAND_IN = [
  { value: "block_in", label: "The block-in" },
  { value: "readings", label: "Some readings" },
  { value: "drawing", label: "The drawing, photographed" },
] as const;

const TIME = [
  { value: "none", label: "Any time" },
  { value: "minutes", label: "From joining" },
  { value: "day", label: "Till a day" },
] as const;

const TRUTH = [
  { value: "handed_in", label: "Once handed in" },
  { value: "any", label: "At any time" },
  { value: "never", label: "On my wall only" },
] as const;

export function TaskForm({ data, draft, set }: Props) {
  return (
    <div className={styles.form}>
      <span>To hand in</span>
      <div className={styles.row}>
        <Choice
          aria-label="To hand in"
          options={HAND_IN}
          value={draft.handIn}
          onChange={(handIn) => set({ handIn })}
        />
        {draft.handIn === "readings" && (
          <input
            type="number"
            className="field"
            aria-label="How many readings"
            min={1}
            max={500}
            value={draft.readings}
            onChange={(event) => set({ readings: event.target.valueAsNumber || 1 })}
          />
        )}
      </div>
      <span>Time</span>
      <div className={styles.row}>
        <Choice
          aria-label="Time"
          options={TIME}
          value={draft.time}
          onChange={(time) => set({ time })}
        />
        {draft.time === "minutes" && (
          <label>
            <input
              type="number"
              className="field"
              aria-label="Minutes"
              min={1}
              max={600}
              value={draft.minutes}
              onChange={(event) => set({ minutes: event.target.valueAsNumber || 1 })}
            />
            minutes
          </label>
        )}
        {draft.time === "day" && (
          <input
            type="date"
            className="field"
            aria-label="Till which day"
            value={draft.till}
            onChange={(event) => set({ till: event.target.value })}
          />
        )}
      </div>
      <span>School</span>
      <div className={styles.row}>
        <select
          className="field"
          aria-label="School"
          value={draft.method ?? ""}
          onChange={(event) => set({ method: event.target.value || null })}
        >
          <option value="">As it is</option>
          {data.schools.map(([school, title]) => (
            <option key={school} value={school}>
              {title}
            </option>
          ))}
        </select>
        <label>
          <input
            type="checkbox"
            checked={draft.eyeFirst}
            onChange={(event) => set({ eyeFirst: event.target.checked })}
          />
          The eye first, then the stick
        </label>
      </div>
      <span>
        Only these readings <small>(none ticked: all)</small>
      </span>
      <div className={styles.row}>
        {data.kinds.map(([kind, label]) => (
          <label key={kind}>
            <input
              type="checkbox"
              checked={draft.kinds.includes(kind)}
              onChange={() =>
                set({
                  kinds: draft.kinds.includes(kind)
                    ? draft.kinds.filter((each) => each !== kind)
                    : [...draft.kinds, kind],
                })
              }
            />
            {label}
          </label>
        ))}
      </div>
      <span>The truth is shown</span>
      <div className={styles.row}>
        <Choice
          aria-label="The truth is shown"
          options={TRUTH}
          value={draft.truth}
          onChange={(truth) => set({ truth })}
        />
      </div>
      <span>What to look for</span>
      <textarea
        className="field"
        aria-label="What to look for"
        maxLength={1000}
        value={draft.text}
        onChange={(event) => set({ text: event.target.value })}
      />
      <span>A picture of it</span>
      <div className={styles.row}>
        {draft.picture && (
          <>
            <img
              className={styles.picture}
              src={`/api/v1/pictures/${draft.picture}/view`}
              alt="What to look for"
            />
            <Button size="large" onClick={() => set({ picture: null })}>
              Without it
            </Button>
          </>
        )}
        <PictureUpload
          label={draft.picture ? "Another one" : "Choose a picture"}
          onTaken={(taken) => set({ picture: taken.picture })}
        />
      </div>
    </div>
  );
}
