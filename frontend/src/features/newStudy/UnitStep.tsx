// The unit that all is counted in.
import { Input } from "antd";
import { Choice } from "../../shared/Choice";
import styles from "./NewStudy.module.css";
import type { Draft, StepProps } from "./useDraft";

export function UnitStep({ draft, set, turn }: StepProps & { turn: "from" | "to" }) {
  const { unit } = draft;
  const named = new Map(draft.landmarks.map((each) => [each.id, each.name]));
  const choose = (part: Partial<Draft["unit"]>) => set({ unit: { ...unit, ...part } });
  return (
    <>
      <Choice
        block
        value={draft.counting}
        onChange={(counting) => set({ counting })}
        options={[
          { label: "Count in a length", value: "unit" as const },
          { label: "In mm on the sheet", value: "mm" as const },
        ]}
      />
      {draft.counting === "mm" ? (
        <p className={styles.quiet}>
          For sight-size and dividers: every reading is a length on the sheet itself.
        </p>
      ) : (
        <>
          <p className={styles.quiet}>
            Easy to find again, upright or level, big enough to read, small enough to count.
          </p>
          {(["from", "to"] as const).map((end) => (
            <label key={end} className={styles.field}>
              {end === "from" ? "From" : "To"}
              {turn === end ? " (next tap)" : ""}
              <select
                value={unit[end] ?? ""}
                onChange={(event) => choose({ [end]: event.target.value || null })}
              >
                <option value="">tap it, or choose</option>
                {[...named].map(([id, name]) => (
                  <option key={id} value={id}>
                    {name}
                  </option>
                ))}
              </select>
            </label>
          ))}
          <Choice
            block
            value={unit.along}
            onChange={(along) => choose({ along })}
            options={[
              { label: "Upright", value: "plumb" as const },
              { label: "Level", value: "level" as const },
              { label: "Straight", value: "straight" as const },
            ]}
          />
          <label className={styles.field}>
            Call it
            <Input
              size="large"
              value={unit.name}
              placeholder="can, head, jug width"
              maxLength={60}
              onChange={(e) => choose({ name: e.target.value })}
            />
          </label>
        </>
      )}
    </>
  );
}
