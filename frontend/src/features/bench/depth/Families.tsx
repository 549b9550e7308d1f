// Which edges are parallel in reality, tapped on the picture, and what they tell.
import { Button, Checkbox, Input } from "antd";
import { useState } from "react";
import { Said } from "../../../shared/Said";
import { Begin, type DepthPart } from "./Depth";
import styles from "./Depth.module.css";
import { PointList } from "./PointList";
import { Remove } from "./Remove";
import { usePoints } from "./usePoints";

const ENDS = ["An edge from", "to"] as const;

export function Families({ bench, room, make, setPicking, open, onOpen }: DepthPart) {
  const [name, setName] = useState("");
  const [level, setLevel] = useState(true);
  const named = new Map(bench.landmarks.map((each) => [each.id, each.name]));
  const said = name.trim();
  const known = room.families.find((each) => each.name === said);
  const add = ([from = "", to = ""]: string[]) =>
    make({ type: "add_edge", name: said, level, edge: [from, to] });
  const tapping = open && said !== "";
  const points = usePoints(2, tapping, setPicking, add);
  const less = (of: (typeof room.families)[number], at: number) =>
    make({
      type: "put_family",
      family: { name: of.name, level: of.level, edges: of.edges.filter((_, i) => i !== at) },
    });
  return (
    <section data-families>
      <h2>Parallel in reality</h2>
      <ul>
        {room.families.map((each) => (
          <li key={each.name}>
            <span>
              <b>{each.name}</b> {each.level && "(level)"}: <Said text={each.said} />
              {open && known?.name === each.name ? (
                each.edges.map(([a, b], i) => (
                  <Button
                    key={`${a} ${b}`}
                    type="text"
                    size="middle"
                    aria-label={`Leave out ${named.get(a)} to ${named.get(b)}`}
                    onClick={() => less(each, i)}
                  >
                    {named.get(a)} to {named.get(b)} ✕
                  </Button>
                ))
              ) : (
                <small>
                  {each.edges
                    .map(([a, b]) => `${named.get(a) ?? a} to ${named.get(b) ?? b}`)
                    .join("; ")}
                </small>
              )}
            </span>
            <span className={styles.row}>
              <Button
                size="middle"
                type="text"
                aria-label={`Change ${each.name}`}
                onClick={() => {
                  setName(each.name);
                  onOpen(true);
                }}
              >
                Change
              </Button>
              <Remove
                name={each.name}
                onRemove={() => make({ type: "remove_family", name: each.name })}
              />
            </span>
          </li>
        ))}
      </ul>
      {open && (
        <>
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
          {said === "" ? (
            <p>Name them first, then tap their edges on the picture.</p>
          ) : (
            <>
              <p role="status">
                {points.values[0]
                  ? `From ${named.get(points.values[0])}: tap the other end.`
                  : `Tap an edge of “${said}” on the picture, or its two ends.`}
              </p>
              <PointList bench={bench} asked={ENDS} points={points} />
            </>
          )}
        </>
      )}
      <Begin
        open={open}
        what={room.families.length ? "Another family" : "Say what is parallel"}
        onOpen={(wanted) => {
          setName("");
          onOpen(wanted);
        }}
      />
    </section>
  );
}
