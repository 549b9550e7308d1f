// The straight-line shapes of the block-in: joined from landmarks, edited, removed.
import { Button, Input } from "antd";
import { useState } from "react";
import type { BenchShape } from "../../../api/types";
import type { Part } from "./part";
import styles from "./Setup.module.css";

export function Shapes({ bench, make }: Part) {
  const [outline, setOutline] = useState<string[]>([]);
  const [name, setName] = useState("");
  const [edited, setEdited] = useState<BenchShape | null>(null);
  const named = new Map(bench.landmarks.map((each) => [each.id, each.name]));
  const begin = (shape: BenchShape | null) => {
    setEdited(shape);
    setOutline(shape?.outline ?? []);
    setName(shape?.name ?? "");
  };
  const finish = async (closed: boolean) => {
    const said = name.trim() || `Shape ${bench.shapes.length + 1}`;
    await (edited
      ? make({ type: "put_shape", shape: { ...edited, name: said, outline, closed } })
      : make({ type: "add_shape", name: said, outline, closed, tier: 1 }));
    begin(null);
  };
  return (
    <section>
      <h2>Shapes</h2>
      <ul>
        {bench.shapes.map((each) => (
          <li key={each.id}>
            <span>{each.name}</span>
            <Button
              size="middle"
              type="text"
              aria-label={`Edit shape ${each.name}`}
              onClick={() => begin(each)}
            >
              Edit
            </Button>
            <Button
              size="middle"
              type="text"
              aria-label={`Remove shape ${each.name}`}
              onClick={() => make({ type: "remove_shape", id: each.id })}
            >
              Remove
            </Button>
          </li>
        ))}
      </ul>
      <select
        aria-label="Join the next landmark"
        value=""
        onChange={(e) => setOutline([...outline, e.target.value])}
      >
        <option value="">join landmarks, in order…</option>
        {bench.landmarks.map((each) => (
          <option key={each.id} value={each.id}>
            {each.name}
          </option>
        ))}
      </select>
      {outline.length > 0 && (
        <>
          <p>{outline.map((id) => named.get(id)).join(" – ")}</p>
          <Input
            aria-label="Name of the shape"
            value={name}
            placeholder="Name of the shape"
            onChange={(e) => setName(e.target.value)}
          />
          <div className={styles.row}>
            <Button disabled={outline.length < 3} onClick={() => finish(true)}>
              Close it
            </Button>
            <Button disabled={outline.length < 2} onClick={() => finish(false)}>
              Leave it open
            </Button>
            <Button type="text" onClick={() => setOutline(outline.slice(0, -1))}>
              One back
            </Button>
            <Button type="text" onClick={() => begin(null)}>
              Leave off
            </Button>
          </div>
        </>
      )}
    </section>
  );
}
