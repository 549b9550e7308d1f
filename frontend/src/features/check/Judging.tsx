// How the drawing is judged: against what, how closely, and whether the eye speaks first.
import { Input, Switch } from "antd";
import { useState } from "react";
import type { Change, CheckRoom } from "../../api/types";
import { Choice } from "../../shared/Choice";
import styles from "./Check.module.css";

type Props = {
  room: CheckRoom;
  inches: boolean;
  tell: (change: Change, done?: string) => Promise<boolean>;
};

const TIERS = ["large", "middle", "detail"] as const;

export function Judging({ room, inches, tell }: Props) {
  const [own, setOwn] = useState(room.allowed.map((each) => each.own_mm?.toString() ?? ""));
  const put = (part: Record<string, unknown>) =>
    tell({
      type: "set_checking",
      against: room.against as "plan" | "proportions",
      manner: room.manner as "copy" | "free" | null,
      tolerance: Object.fromEntries(TIERS.map((tier, i) => [tier, own[i]?.trim() || null])),
      ...part,
    } as Change);
  return (
    <details className={styles.judging}>
      <summary>How it is judged</summary>
      <p>Against</p>
      <Choice
        block
        options={[
          { value: "plan", label: "The plan" },
          { value: "proportions", label: "Itself, wherever it stands" },
        ]}
        value={room.against}
        onChange={(against) => put({ against })}
      />
      <p>Drawn</p>
      <Choice<"recipe" | "eye">
        block
        options={[
          { value: "recipe", label: "By the recipe" },
          { value: "eye", label: "By eye" },
        ]}
        value={room.drawn_by}
        onChange={(by) => tell({ type: "set_drawn_by", by })}
      />
      <p>How closely</p>
      <Choice
        block
        options={[
          { value: "copy", label: "A copy" },
          { value: "between", label: "Between" },
          { value: "free", label: "A free drawing" },
        ]}
        value={room.manner ?? "between"}
        onChange={(manner) => put({ manner: manner === "between" ? null : manner })}
      />
      {room.allowed.map((each, i) => (
        <label key={each.tier} className={styles.field}>
          {each.name} may be off by
          <Input
            value={own[i]}
            placeholder={each.usual}
            suffix={inches ? undefined : "mm"}
            onChange={(event) =>
              setOwn(own.map((old, at) => (at === i ? event.target.value : old)))
            }
            onBlur={() => own[i] !== (each.own_mm?.toString() ?? "") && put({})}
            onPressEnter={() => put({})}
          />
        </label>
      ))}
      <label className={styles.switch}>
        <Switch checked={room.eye_first} onChange={(on) => tell({ type: "set_eye_first", on })} />
        Eye first: I say what I see before anything is measured or shown
      </label>
    </details>
  );
}
