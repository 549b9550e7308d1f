// How far each kind of reading is trusted; the artist's own values are offered, never applied alone.
import { useQuery } from "@tanstack/react-query";
import { Button, Input } from "antd";
import { useState } from "react";
import { queries } from "../../../api/queries";
import type { Bench, Change, TrustReport } from "../../../api/types";
import styles from "./Setup.module.css";

type Props = { bench: Bench; make: (change: Change) => Promise<void> };
type Line = TrustReport["kinds"][number];

const NAMES: Record<string, string> = {
  span: "Spans",
  tilt: "Tilts",
  drop: "Plumb drops",
  level: "Levels",
  part: "Parts",
  match: "Matches",
  run: "Runs",
  parallel: "Leaning alike",
};

export function Trust({ bench, make }: Props) {
  const trust = useQuery(queries.trust(bench));
  const kinds = trust.data?.kinds ?? [];
  if (!kinds.length) {
    return null;
  }
  const set = (kind: string, factor: number) =>
    make({
      type: "set_trust",
      trust: {
        ...Object.fromEntries(kinds.map((each) => [each.kind, each.set_now])),
        [kind]: factor,
      },
    });
  return (
    <section>
      <h2>Trust in your readings</h2>
      <ul>
        {kinds.map((each) => (
          <TrustRow
            key={`${each.kind} ${each.set_now}`}
            line={each}
            onSet={(f) => set(each.kind, f)}
          />
        ))}
      </ul>
    </section>
  );
}

function TrustRow({ line, onSet }: { line: Line; onSet: (factor: number) => void }) {
  const [text, setText] = useState(String(Math.round(line.set_now * 100) / 100));
  const name = NAMES[line.kind] ?? line.kind;
  const keep = () => {
    const factor = Number(text.replace(",", "."));
    if (factor > 0 && factor !== line.set_now) {
      onSet(factor);
    }
  };
  return (
    <li className={styles.trust}>
      <span>
        {name} <b>{line.sigma}</b>
      </span>
      <Input
        aria-label={`Factor on the usual error of ${name.toLowerCase()}`}
        value={text}
        prefix="×"
        inputMode="decimal"
        onChange={(event) => setText(event.target.value)}
        onBlur={keep}
        onPressEnter={keep}
      />
      <small>{told(line)}</small>
      {line.offered && line.estimate !== null && (
        <Button onClick={() => onSet(Math.round((line.estimate ?? 1) * 100) / 100)}>
          Use {line.estimated_sigma}
        </Button>
      )}
    </li>
  );
}

function told(line: Line): string {
  if (line.estimate === null || line.sd === null) {
    return "too few that others check to tell your own";
  }
  const about = `yours look like ${line.estimated_sigma}, give or take ${Math.round((100 * line.sd) / line.estimate)} %`;
  return line.offered ? about : `${about}: no reason to change`;
}
