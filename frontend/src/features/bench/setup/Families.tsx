// Which edges are parallel in reality, and what they tell: eye level and where they meet.
import { useQuery } from "@tanstack/react-query";
import { Button, Checkbox, Input } from "antd";
import { useState } from "react";
import { queries } from "../../../api/queries";
import { Said } from "../../../shared/Said";
import type { Part } from "./part";
import styles from "./Setup.module.css";

type Edge = [string, string];

export function Families({ bench, make }: Part) {
  const told = useQuery(queries.perspective(bench));
  const [name, setName] = useState("");
  const [level, setLevel] = useState(true);
  const [start, setStart] = useState("");
  const families = told.data?.families ?? [];
  const named = new Map(bench.landmarks.map((each) => [each.id, each.name]));
  const known = families.find((each) => each.name === name.trim());
  const put = (edges: Edge[], of = name.trim(), isLevel = level) =>
    make({ type: "put_family", family: { name: of, edges, level: isLevel } });
  const add = async (end: string) => {
    const edge: Edge = [start, end];
    await put([...((known?.edges ?? []) as Edge[]), edge], name.trim(), known?.level ?? level);
    setStart("");
  };
  const choices = bench.landmarks.map((each) => (
    <option key={each.id} value={each.id}>
      {each.name}
    </option>
  ));
  return (
    <section data-families>
      <h2>Parallel in reality</h2>
      {families.length > 0 && (
        <p>
          <Said text={told.data?.eye_level ?? ""} />
        </p>
      )}
      <ul>
        {families.map((each) => (
          <li key={each.name}>
            <span>
              <b>{each.name}</b> {each.level && "(level)"}: <Said text={each.said} />
              <br />
              <small>
                {each.edges
                  .map(([a, b]) => `${named.get(a) ?? a} to ${named.get(b) ?? b}`)
                  .join("; ")}
              </small>
            </span>
            <Button
              size="middle"
              type="text"
              aria-label={`Remove ${each.name}`}
              onClick={() => make({ type: "remove_family", name: each.name })}
            >
              Remove
            </Button>
          </li>
        ))}
      </ul>
      {told.data?.doubts.map((each) => (
        <p key={each} className={styles.bad}>
          <Said text={each} />
        </p>
      ))}
      <Input
        aria-label="Name of the family"
        placeholder="left-going, right-going, uprights…"
        value={name}
        maxLength={80}
        onChange={(event) => setName(event.target.value)}
      />
      <Checkbox
        checked={known?.level ?? level}
        disabled={Boolean(known)}
        onChange={(event) => setLevel(event.target.checked)}
      >
        level in reality
      </Checkbox>
      <select
        aria-label="An edge from"
        value={start}
        disabled={!name.trim()}
        onChange={(event) => setStart(event.target.value)}
      >
        <option value="">an edge from…</option>
        {choices}
      </select>
      <select
        aria-label="to"
        value=""
        disabled={!start}
        onChange={(event) => add(event.target.value)}
      >
        <option value="">…to</option>
        {choices}
      </select>
    </section>
  );
}
