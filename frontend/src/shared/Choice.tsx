// One of a few, all of them in sight: a row of keys of which one is down.
import { useId } from "react";
import styles from "./Choice.module.css";

type Value = string | number | boolean;
type Option<T> = { label: string; value: T };

type Props<T extends Value> = {
  options: readonly (Option<T> | T)[];
  value: T;
  onChange: (value: T) => void;
  /** Whether the keys share the whole width. */
  block?: boolean;
  "aria-label"?: string;
};

export function Choice<T extends Value>({ options, value, onChange, block, ...named }: Props<T>) {
  const group = useId();
  return (
    <div className={styles.choice} role="radiogroup" data-block={block} {...named}>
      {options.map((each) => {
        const option = typeof each === "object" ? each : { label: String(each), value: each };
        return (
          <label key={option.label}>
            <input
              type="radio"
              name={group}
              checked={option.value === value}
              onChange={() => onChange(option.value)}
            />
            {option.label}
          </label>
        );
      })}
    </div>
  );
}
