// The pad: which landmarks, which kind, what value, keep.
import { Button } from "antd";
import { useState } from "react";
import type { Bench } from "../../../api/types";
import { Said } from "../../../shared/Said";
import { useRoving } from "../../../shared/useRoving";
import { KindSign } from "./KindSign";
import { asMeant } from "./kinds";
import styles from "./Pad.module.css";
import { Several } from "./Several";
import { Slots } from "./Slots";
import type { Pad as PadHandle } from "./usePad";
import { ValueKeys } from "./ValueKeys";

type Props = {
  bench: Bench;
  pad: PadHandle;
  /** The landmarks of what is asked for just now. */
  asked: readonly string[];
  /** What was wrong with the entry, or what was kept last. */
  message: { text: string; bad: boolean; again?: () => void } | null;
  busy: boolean;
  onKeep: () => void;
  /** What the record says of this kind of reading, where the eye speaks first. */
  eye?: { said: string; sigma: number | null; sigma_said: string | null } | undefined;
  /** Keeps what was seen, as sure as the record has it. */
  onKeepSeen: () => void;
};

export function Pad({ bench, pad, asked, message, busy, onKeep, eye, onKeepSeen }: Props) {
  const { state, kind } = pad;
  const [all, setAll] = useState(false);
  const group = useRoving<HTMLFieldSetElement>();
  const { kinds, first } = pad.kinds;
  const beyond = kinds.findIndex((each) => each.key === kind.key) >= first;
  const shown = all || beyond ? kinds : kinds.slice(0, first);
  return (
    <section className={styles.pad} aria-label="Take a reading">
      <Slots bench={bench} pad={pad} asked={asked} />
      <div className={styles.middle} data-naming={!pad.filled && !state.value && !pad.several.on}>
        <fieldset className={styles.kinds} {...group}>
          <legend className="visually-hidden">Kind of reading</legend>
          {shown.map((each) => (
            <button
              type="button"
              key={each.key}
              aria-pressed={each.key === kind.key}
              title={`${each.how} (key ${each.letter})`}
              onClick={() => pad.chooseKind(each.key)}
            >
              <KindSign kind={each} />
              {each.label}
            </button>
          ))}
          {pad.several.can && !state.editing && (
            <button
              type="button"
              aria-pressed={pad.several.on}
              title="Several in one go, all from one landmark (Shift+M)"
              onClick={pad.several.toggle}
            >
              <KindSign kind={{ sign: SEVERAL }} />
              Several
            </button>
          )}
          {!beyond && kinds.length > first && (
            <button type="button" aria-expanded={all} onClick={() => setAll(!all)}>
              <span className={styles.more} aria-hidden="true">
                {all ? "‹" : "· · ·"}
              </span>
              {all ? "Fewer" : "More"}
            </button>
          )}
        </fieldset>
        {pad.several.instead ? <Several bench={bench} pad={pad} /> : <ValueKeys pad={pad} />}
      </div>
      <div className={styles.keep}>
        <Readout bench={bench} pad={pad} />
        {pad.several.on && !pad.several.instead && <Several bench={bench} pad={pad} />}
        <p className={styles.how}>
          {pad.looksFirst
            ? "By eye first: what do you see? Only then measure."
            : state.guess === null
              ? kind.how
              : "Your eye has spoken. Now measure it."}
        </p>
        {eye && !pad.looksFirst && (
          <p className={styles.eye} data-own-eye>
            {eye.said}
          </p>
        )}
        <p role="status" className={message?.bad ? styles.bad : styles.good}>
          {message && <Said text={message.text} />}
          {message?.again && (
            <Button type="text" onClick={message.again}>
              Lay it out again
            </Button>
          )}
        </p>
        {eye?.sigma &&
          !state.editing &&
          (state.guess !== null || (!bench.eye_first && pad.ready)) && (
            <Button
              className={styles.seen ?? ""}
              block
              size="large"
              disabled={busy}
              onClick={onKeepSeen}
            >
              Keep as seen, {eye.sigma_said}
            </Button>
          )}
        <div className={styles.actions}>
          <Button type="primary" size="large" disabled={!pad.ready} loading={busy} onClick={onKeep}>
            {keeps(pad)} <kbd>Enter</kbd>
          </Button>
          {kind.in_takes && (
            <Button
              size="large"
              onClick={pad.newTake}
              title="After a break, a step, or a re-set thumb"
            >
              New take
            </Button>
          )}
        </div>
      </div>
    </section>
  );
}

/** Strokes of the sign for several from one landmark. */
const SEVERAL = [
  { path: "M6 14L23 5M6 14L24 14M6 14L23 23", look: "line" },
  { path: "M3.6 14a2.4 2.4 0 1 0 4.8 0a2.4 2.4 0 1 0 -4.8 0z", look: "filled" },
];

function keeps(pad: PadHandle): string {
  if (pad.several.on) {
    return pad.several.open ? "Next" : `Keep ${pad.state.rows?.length || ""}`.trim();
  }
  return pad.state.editing ? "Correct" : pad.looksFirst ? "So I see it" : "Keep";
}

function Readout({ bench, pad }: { bench: Bench; pad: PadHandle }) {
  const { kind, state, side } = pad;
  const unit = bench.unit?.name ?? "unit";
  const value = asMeant(kind.sort, state.value);
  const many = value !== "" && value !== "1" && !/^\d+\/\d+$/.test(value) && unit !== "mm";
  const units = bench.unit?.many ?? "units";
  const counted = `${value} ${many ? units : unit}`;
  const said: Record<string, string> = {
    count: value ? counted : "how many?",
    tilt: value || "which hour?",
    offset: value === "0" ? (kind.none ?? "") : value ? `${counted} ${side ?? ""}` : "how far?",
    fraction: value ? `${value} of the way` : "which part?",
    ratio: value ? `${value} times` : (kind.none ?? ""),
    none: kind.label,
  };
  if (pad.several.on && !state.slots[1]) {
    const count = state.rows?.length ?? 0;
    return (
      <output className={styles.readout} aria-label="The reading so far">
        {count} together
      </output>
    );
  }
  const towards = kind.sort === "count" && side ? ` ${side}` : "";
  return (
    <output className={styles.readout} aria-label="The reading so far">
      <Said text={said[kind.sort] ?? ""} />
      <small>
        {towards}
        {kind.in_takes ? ` · take ${pad.take.replace(/^t/, "")}` : ""}
        {state.editing ? " · correcting" : ""}
      </small>
    </output>
  );
}
