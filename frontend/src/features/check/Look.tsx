// Eye first: what looks off is said before the check says anything.
import { Button } from "antd";
import type { CheckRoom, EyeGuess } from "../../api/types";
import styles from "./Check.module.css";

type Props = {
  room: CheckRoom;
  chosen: string | null;
  guesses: EyeGuess[];
  onGuesses: (guesses: EyeGuess[]) => void;
  onChoose: (landmark: string | null) => void;
  onDone: () => void;
  onBack: () => void;
  trouble: string | null;
};

type Way = EyeGuess["way"];
const PART: [Way, string][] = [
  ["left", "too far left"],
  ["right", "too far right"],
  ["higher", "too high"],
  ["lower", "too low"],
];
const WHOLE: [Way, string][] = [
  ["larger", "too large"],
  ["smaller", "too small"],
  ["fine", "fine as a whole"],
];

export function Look(props: Props) {
  const { room, chosen, guesses, onGuesses, onChoose, onDone, onBack, trouble } = props;
  const name = (id: string | null | undefined) =>
    room.landmarks.find((each) => each.id === id)?.name ?? "The whole";
  const say = (landmark: string | null, way: Way) => {
    const others = guesses.filter((each) => (each.landmark ?? null) !== landmark);
    onGuesses([...others, { landmark, way }]);
    onChoose(null);
  };
  const said = [...PART, ...WHOLE];
  return (
    <>
      <h2>Stand back. What looks off?</h2>
      <div className={styles.scroll}>
        <p className={styles.note}>
          Tap a landmark on the drawing, then say which way it is off. Or say it of the whole. Only
          then is it measured.
        </p>
        <p className={styles.large} aria-live="polite">
          {chosen ? name(chosen) : "The whole"}
        </p>
        <div className={styles.ways}>
          {(chosen ? PART : WHOLE).map(([way, label]) => (
            <Button key={way} size="large" onClick={() => say(chosen, way)}>
              {label}
            </Button>
          ))}
        </div>
        <ul className={styles.measures}>
          {guesses.map((each) => (
            <li key={each.landmark ?? "whole"}>
              <span>
                {name(each.landmark)}: {said.find(([way]) => way === each.way)?.[1]}
              </span>
              <Button
                size="small"
                onClick={() => onGuesses(guesses.filter((other) => other !== each))}
              >
                Take back
              </Button>
            </li>
          ))}
        </ul>
        <label className={styles.field}>
          A landmark by name
          <select
            value={chosen ?? ""}
            onChange={(event) => onChoose(event.target.value || null)}
            className={styles.native}
          >
            <option value="">The whole</option>
            {room.landmarks
              .filter((each) => each.measured)
              .map((each) => (
                <option key={each.id} value={each.id}>
                  {each.name}
                </option>
              ))}
          </select>
        </label>
      </div>
      {trouble && (
        <p role="alert" className={styles.bad}>
          {trouble}
        </p>
      )}
      <div className={styles.row}>
        <Button size="large" onClick={onBack}>
          Measure more
        </Button>
        <Button type="primary" size="large" onClick={onDone}>
          {guesses.length ? "That is what I see: check it" : "Nothing looks off: check it"}
        </Button>
      </div>
    </>
  );
}
