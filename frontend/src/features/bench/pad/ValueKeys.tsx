// Keys for the value: wholes and fractions, or the clock face, with the sides beside them.
import { Arrow } from "../../../shared/Arrow";
import { Said } from "../../../shared/Said";
import { useRoving } from "../../../shared/useRoving";
import { ClockFace } from "./ClockFace";
import { asMeant } from "./kinds";
import { handFrom } from "./tilts";
import type { Pad } from "./usePad";
import styles from "./Values.module.css";

const WHOLES = ["0", "1", "2", "3", "4", "5", "6", "7", "8", "9"];
const FRACTIONS = ["1/2", "1/3", "2/3", "1/4", "3/4", "1/8", "3/8", "5/8", "7/8"];
const PARTS = ["1/2", "1/3", "2/3", "1/4", "3/4", "1/5", "2/5", "3/5", "4/5"];

/** The value with another whole or fraction. */
export function withKey(value: string, key: string): string {
  const found = /^(\d*)\s*(\d+\/\d+)?$/.exec(value.trim());
  const whole = found && !/^\d+\/\d+$/.test(value.trim()) ? (found[1] ?? "") : "";
  const fraction = /\d+\/\d+$/.exec(value)?.[0] ?? "";
  if (key.includes("/")) {
    return fraction === key ? whole : `${whole} ${key}`.trim();
  }
  return `${whole}${key}${fraction ? ` ${fraction}` : ""}`;
}

/** The value with so many eighths more, as a whole and the shortest fraction. */
export function withEighths(value: string, more: number): string {
  const found = /^(?:(\d+)(?:\s+|$))?(?:(\d+)\/(1|2|4|8))?$/.exec(value.trim());
  if (!found) {
    return value;
  }
  const [, whole = "0", above = "0", below = "1"] = found;
  let eighths = Number(whole) * 8 + (Number(above) * 8) / Number(below) + more;
  const rest = Math.floor(eighths / 8);
  eighths %= 8;
  let parts = 8;
  while (eighths > 0 && eighths % 2 === 0) {
    eighths /= 2;
    parts /= 2;
  }
  return [rest || "", eighths ? `${eighths}/${parts}` : ""].filter(Boolean).join(" ") || "0";
}

export function ValueKeys({ pad }: { pad: Pad }) {
  const { kind, state } = pad;
  const set = (value: string) => pad.set({ value, fresh: false });
  const value = state.fresh ? "" : state.value;
  const nothing = kind.sort === "offset" ? "0" : "";
  if (kind.sort === "none") {
    return <p className={styles.nothing}>Nothing to count: keep it when it is so.</p>;
  }
  return (
    <div className={styles.values} data-values="true">
      {kind.sort === "tilt" ? (
        <>
          <ClockFace degrees={handFrom(asMeant("tilt", state.value))} onChange={set} />
          <div className={styles.beside}>
            <p className={styles.hint}>
              Turn the hand, or type an hour as 2 or 1:30, degrees as 45 or 8°. Four and ten o'clock
              are one tilt.
            </p>
            <InWords like="half past four" value={state.value} onChange={set} />
          </div>
        </>
      ) : (
        <>
          <Keys name="Wholes">
            {WHOLES.map((each) => (
              <button type="button" key={each} onClick={() => set(withKey(value, each))}>
                {each}
              </button>
            ))}
            <button
              type="button"
              aria-label="Take back the last sign"
              onClick={() => set(state.value.slice(0, -1).trimEnd())}
            >
              <Arrow side="left" />
            </button>
          </Keys>
          <Keys name="Fractions">
            {(kind.sort === "fraction" ? PARTS : FRACTIONS).map((each) => (
              <button
                type="button"
                key={each}
                className={styles.fraction}
                aria-pressed={state.value.endsWith(each)}
                onClick={() => set(withKey(value, each))}
              >
                <Said text={each} />
              </button>
            ))}
            {kind.none && (
              <button
                type="button"
                className={styles.word}
                aria-pressed={state.value === nothing}
                onClick={() => set(nothing)}
              >
                {kind.none}
              </button>
            )}
          </Keys>
          <InWords like="two and three eighths" value={state.value} onChange={set} />
        </>
      )}
    </div>
  );
}

type InWordsProps = { like: string; value: string; onChange: (value: string) => void };

/** The value as it is said, for a device that takes dictation. */
function InWords({ like, value, onChange }: InWordsProps) {
  return (
    <input
      className={`field ${styles.spoken}`}
      aria-label="The value in words"
      placeholder={`or say: ${like}`}
      value={/[a-z]/i.test(value) ? value : ""}
      onChange={(event) => onChange(event.target.value)}
    />
  );
}

function Keys({ name, children }: { name: string; children: React.ReactNode }) {
  return (
    <fieldset className={styles.keys} {...useRoving<HTMLFieldSetElement>()}>
      <legend className="visually-hidden">{name}</legend>
      {children}
    </fieldset>
  );
}
