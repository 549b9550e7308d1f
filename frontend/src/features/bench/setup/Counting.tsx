// How finely the artist counts, and how the own hand errs on the sheet.
import { Select } from "antd";
import type { Part } from "./part";
import styles from "./Setup.module.css";

const UNITS = [
  { value: 0, label: "Finer" },
  { value: 1 / 8, label: "Eighths" },
  { value: 1 / 4, label: "Quarters" },
  { value: 1 / 3, label: "Thirds" },
  { value: 1 / 2, label: "Halves" },
];
const DEGREES = [
  { value: 0, label: "Finer" },
  { value: 5, label: "5°" },
  { value: 7.5, label: "Quarters of an hour" },
  { value: 10, label: "10°" },
  { value: 15, label: "Half hours" },
];
const HANDS = {
  usual: { length: null, tilt_degrees: null, part: null },
  beginner: { length: 0.03, tilt_degrees: 2.5, part: 0.02 },
  practised: { length: 0.01, tilt_degrees: 0.8, part: 0.01 },
} as const;
const OFFERED: { value: string; label: string }[] = [
  { value: "usual", label: "Usual" },
  { value: "beginner", label: "A beginner's" },
  { value: "practised", label: "A practised one" },
];

export function Counting({ bench, make }: Part) {
  const { counted_to, hand } = bench.artist;
  const set = (part: { units?: number; degrees?: number }) => {
    const now = { units: counted_to?.units ?? 0, degrees: counted_to?.degrees ?? 0, ...part };
    make({ type: "set_counting", units: now.units || null, degrees: now.degrees || null });
  };
  const known = Object.entries(HANDS).find(([, each]) => each.length === (hand?.length ?? null));
  return (
    <section>
      <h2>How you count and draw</h2>
      <div className={styles.artist}>
        <Choice
          label="Lengths to"
          options={UNITS}
          value={nearest(UNITS, counted_to?.units)}
          onChoose={(units) => set({ units })}
        />
        <Choice
          label="Tilts to"
          options={DEGREES}
          value={nearest(DEGREES, counted_to?.degrees)}
          onChoose={(degrees) => set({ degrees })}
        />
        <Choice
          label="Hand"
          options={known ? OFFERED : [...OFFERED, { value: "own", label: "My own" }]}
          value={known?.[0] ?? "own"}
          onChoose={(chosen) =>
            chosen in HANDS && make({ type: "set_hand", ...HANDS[chosen as keyof typeof HANDS] })
          }
        />
      </div>
    </section>
  );
}

/** The choice that is meant, decimals of a third included. */
function nearest(choices: readonly { value: number }[], value: number | null | undefined): number {
  return choices.find((each) => Math.abs(each.value - (value ?? 0)) < 0.01)?.value ?? 0;
}

type ChoiceProps<T> = {
  label: string;
  options: readonly { value: T; label: string }[];
  value: T;
  onChoose: (value: T) => void;
};

function Choice<T extends string | number>({ label, options, value, onChoose }: ChoiceProps<T>) {
  return (
    <div>
      {label}
      <Select<T>
        aria-label={label}
        options={[...options]}
        value={value}
        onChange={(chosen) => onChoose(chosen)}
      />
    </div>
  );
}
