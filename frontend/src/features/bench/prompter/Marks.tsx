// Where each landmark goes on the sheet, from its left and top edges.
import { Button } from "antd";
import type { Bench, BenchLandmark, Prompt } from "../../../api/types";
import { Choice } from "../../../shared/Choice";
import { Said } from "../../../shared/Said";
import styles from "./Marks.module.css";
import prompter from "./Prompter.module.css";

const STANDING: Record<string, string> = {
  proven: "proven",
  held: "held",
  doubt: "in doubt",
  loose: "loose",
};

type Props = {
  bench: Bench;
  /** What would hold each loose landmark. */
  holds: readonly Prompt[];
  onTake: (prompt: Prompt) => void;
  onChoose: (id: string) => void;
  onLeave: (relation: string) => void;
  onLengths: (inches: boolean) => void;
};

export function Marks({ bench, holds, onTake, onChoose, onLeave, onLengths }: Props) {
  return (
    <>
      <Choice
        block
        options={[
          { label: "Millimetres", value: "mm" },
          { label: "Inches", value: "in" },
        ]}
        value={bench.inches ? "in" : "mm"}
        onChange={(value) => onLengths(value === "in")}
      />
      <table className={styles.marks}>
        <thead>
          <tr>
            <th scope="col">Landmark</th>
            <th scope="col">from left</th>
            <th scope="col">from top</th>
            <th scope="col">±</th>
          </tr>
        </thead>
        <tbody>
          {bench.landmarks.map((each) => (
            <tr key={each.id} data-standing={each.standing} data-mark={each.id}>
              <th scope="row">
                <button type="button" onClick={() => onChoose(each.id)}>
                  {each.name}
                </button>
                <small>{looseness(each) ?? STANDING[each.standing]}</small>
                <HeldBy prompt={holds.find((one) => one.settles === each.id)} onTake={onTake} />
              </th>
              <td>
                <Said text={each.said_left ?? "?"} />
              </td>
              <td>
                <Said text={each.said_top ?? "?"} />
              </td>
              <td>
                <Said text={each.said_slack ?? ""} />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {bench.adopted.length > 0 && (
        <>
          <h2 className={`${prompter.label} ${prompter.green}`}>Drawn by</h2>
          <ul className={styles.adopted}>
            {bench.adopted.map((each) => (
              <li key={each.id}>
                <span>
                  <Said text={each.said} />
                </span>
                <Button
                  type="text"
                  aria-label={`Leave out ${each.said}`}
                  onClick={() => onLeave(each.id)}
                >
                  Leave out
                </Button>
              </li>
            ))}
          </ul>
        </>
      )}
    </>
  );
}

/** The one reading that would hold it. */
function HeldBy({ prompt, onTake }: { prompt: Prompt | undefined; onTake: Props["onTake"] }) {
  if (!prompt) {
    return null;
  }
  return (
    <button type="button" className={styles.holds} onClick={() => onTake(prompt)}>
      Hold it: {prompt.ask}
    </button>
  );
}

function looseness(each: BenchLandmark): string | null {
  if (each.loose === null) {
    return null;
  }
  if (each.loose === "both") {
    return "loose every way";
  }
  if (each.loose === "level") {
    return "loose sideways";
  }
  if (each.loose === "plumb") {
    return "loose up and down";
  }
  const hour = Math.round((Number(each.loose) % 180) / 15) / 2;
  return `loose along ${hour === 0 ? 12 : hour} o'clock`;
}
