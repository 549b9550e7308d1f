// A set of poses and rests of one's own: its name, one line a pose or rest, and how the time of a pose
// is parted into stages, if not in the usual way.
import { Button, Input } from "antd";
import { useState } from "react";
import { ApiError, api } from "../../api/client";
import styles from "./Sitting.module.css";

type Line = { kind: "pose" | "work" | "rest"; minutes: number };
type Props = { onKept: (name: string) => void; onLeave: () => void };

const STAGES = [
  ["frame", "Frame"],
  ["envelope", "Envelope"],
  ["sight", "Sight"],
  ["draw", "Draw"],
  ["check", "Check"],
  ["tone", "Tone"],
] as const;

export function OwnSet({ onKept, onLeave }: Props) {
  const [title, setTitle] = useState("");
  const [lines, setLines] = useState<Line[]>([
    { kind: "pose", minutes: 15 },
    { kind: "rest", minutes: 5 },
    { kind: "pose", minutes: 15 },
  ]);
  const [shares, setShares] = useState<Record<string, number>>({});
  const [parted, setParted] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const put = (number: number, line: Partial<Line>) =>
    setLines(lines.map((each, i) => (i === number ? { ...each, ...line } : each)));
  const keep = async () => {
    try {
      const given = Object.fromEntries(Object.entries(shares).filter(([, share]) => share > 0));
      const kept = await api.keepPoses({
        format: "zirkel-poses",
        version: 1,
        name: title.trim(),
        title: title.trim(),
        blocks: lines,
        shares: parted && Object.keys(given).length > 0 ? given : null,
      });
      onKept(kept.name);
    } catch (error) {
      setTrouble(error instanceof ApiError ? error.sentence : String(error));
    }
  };
  return (
    <section className={styles.ownSet} aria-label="A set of my own">
      <Input
        size="large"
        aria-label="What the set is called"
        placeholder="What it is called: Thursday evening"
        maxLength={80}
        value={title}
        onChange={(event) => setTitle(event.target.value)}
      />
      <ol>
        {lines.map((line, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a line is its place in the set
          <li key={i}>
            <select
              aria-label={`What comes ${i + 1}`}
              value={line.kind}
              onChange={(event) => put(i, { kind: event.target.value as Line["kind"] })}
            >
              <option value="pose">Pose</option>
              <option value="rest">Rest</option>
              <option value="work">Work without a sitter</option>
            </select>
            <input
              type="number"
              aria-label={`Minutes of ${i + 1}`}
              min={1}
              max={600}
              value={line.minutes}
              onChange={(event) =>
                put(i, { minutes: Math.min(Math.max(Number(event.target.value) || 1, 1), 600) })
              }
            />
            <span>min</span>
            {lines.length > 1 && (
              <Button
                type="text"
                aria-label={`Leave out ${i + 1}`}
                onClick={() => setLines(lines.filter((_, k) => k !== i))}
              >
                Leave out
              </Button>
            )}
          </li>
        ))}
      </ol>
      <div className={styles.actions}>
        <Button onClick={() => setLines([...lines, { kind: "pose", minutes: 15 }])}>
          One more pose
        </Button>
        <Button onClick={() => setLines([...lines, { kind: "rest", minutes: 5 }])}>
          One more rest
        </Button>
        <Button aria-expanded={parted} onClick={() => setParted(!parted)}>
          {parted ? "Stages as usual" : "Stages of my own"}
        </Button>
      </div>
      {parted && (
        <fieldset className={styles.shares}>
          <legend>Parts of each pose; a stage without a figure is left out</legend>
          {STAGES.map(([name, said]) => (
            <label key={name}>
              {said}
              <input
                type="number"
                min={0}
                max={100}
                value={shares[name] ?? ""}
                onChange={(event) =>
                  setShares({
                    ...shares,
                    [name]: Math.min(Math.max(Number(event.target.value) || 0, 0), 100),
                  })
                }
              />
            </label>
          ))}
        </fieldset>
      )}
      {trouble && (
        <p role="alert" className={styles.bad}>
          {trouble}
        </p>
      )}
      <div className={styles.actions}>
        <Button type="primary" size="large" disabled={title.trim() === ""} onClick={keep}>
          Keep this set
        </Button>
        <Button size="large" onClick={onLeave}>
          Leave it
        </Button>
      </div>
    </section>
  );
}
