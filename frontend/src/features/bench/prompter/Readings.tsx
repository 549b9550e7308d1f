// The list of readings: each as said, how it fits, and what can be done about it.
import { Button } from "antd";
import { useState } from "react";
import type { Bench, BenchReading } from "../../../api/types";
import { Choice } from "../../../shared/Choice";
import { type Origin, originOf, ReadingSign, type Standing } from "../../../shared/ReadingSign";
import { Said } from "../../../shared/Said";
import styles from "./Prompter.module.css";

type Props = {
  bench: Bench;
  /** Whether to begin with those that nothing checks. */
  onlyUnchecked: boolean;
  onEdit: (id: string) => void;
  onStrike: (id: string, struck: boolean) => void;
  onRemove: (id: string) => void;
  onPoint: (id: string | null) => void;
};

const STATE: Record<string, string> = {
  fits: "agrees",
  unchecked: "not checked by anything",
  doubted: "look again",
  struck: "struck",
};

const ORIGIN: Record<Origin, string> = {
  measured: "",
  computed: " · computed off the picture",
  guessed: " · by eye",
};

export function Readings(props: Props) {
  const [selected, setSelected] = useState<string | null>(null);
  const [only, setOnly] = useState(props.onlyUnchecked);
  const unchecked = props.bench.readings.filter((each) => each.state === "unchecked");
  const newestFirst = [...(only ? unchecked : props.bench.readings)].reverse();
  if (!props.bench.readings.length) {
    return (
      <p className={styles.because}>
        No readings yet. Tap two landmarks, choose how the stick is held, count, keep.
      </p>
    );
  }
  return (
    <>
      <Choice
        block
        options={[
          { label: `All ${props.bench.readings.length}`, value: "all" },
          { label: `Unchecked ${unchecked.length}`, value: "unchecked" },
        ]}
        value={only ? "unchecked" : "all"}
        onChange={(value) => setOnly(value === "unchecked")}
      />
      <ol className={styles.readings} aria-label="Readings, newest first">
        {newestFirst.map((each) => (
          <Reading
            key={each.id}
            reading={each}
            selected={each.id === selected}
            onSelect={() => setSelected(each.id === selected ? null : each.id)}
            {...props}
          />
        ))}
      </ol>
    </>
  );
}

function Reading({
  reading,
  selected,
  onSelect,
  onEdit,
  onStrike,
  onRemove,
  onPoint,
}: Props & { reading: BenchReading; selected: boolean; onSelect: () => void }) {
  const struck = reading.state === "struck";
  const origin = originOf(reading.entry.note);
  return (
    <li
      data-state={reading.state}
      data-reading={reading.id}
      onPointerEnter={() => onPoint(reading.id)}
      onPointerLeave={() => onPoint(null)}
    >
      <button
        type="button"
        className={styles.open}
        aria-expanded={selected}
        onClick={onSelect}
        onFocus={() => onPoint(reading.id)}
        onBlur={() => onPoint(null)}
      >
        <span>
          <Said text={reading.said} />
        </span>
        <small>
          <ReadingSign origin={origin} standing={reading.state as Standing} />{" "}
          {STATE[reading.state]}
          {ORIGIN[origin]}
          {reading.take ? ` · take ${reading.take.replace(/^t/, "")}` : ""}
        </small>
      </button>
      {selected && (
        <div className={styles.row}>
          <Button onClick={() => onEdit(reading.id)} aria-label={`Correct ${reading.said}`}>
            Correct
          </Button>
          <Button
            onClick={() => onStrike(reading.id, !struck)}
            aria-label={`${struck ? "Take up" : "Strike"} ${reading.said}`}
          >
            {struck ? "Take up" : "Strike"}
          </Button>
          <Button
            type="text"
            onClick={() => onRemove(reading.id)}
            aria-label={`Remove ${reading.said}`}
          >
            Remove
          </Button>
        </div>
      )}
    </li>
  );
}
