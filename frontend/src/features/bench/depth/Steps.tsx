// Things alike in equal steps: posts, tiles, windows, from the first two by diagonals.
import { Button, Input, InputNumber } from "antd";
import { useState } from "react";
import { Begin, type DepthPart } from "./Depth";
import styles from "./Depth.module.css";
import { PointList } from "./PointList";
import { Remove } from "./Remove";
import { usePoints } from "./usePoints";

const ASKED = ["First, its top", "First, its foot", "Second, its top", "Second, its foot"] as const;

export function Steps({ bench, room, make, setPicking, open, onOpen }: DepthPart) {
  const [name, setName] = useState("");
  const [count, setCount] = useState(5);
  const points = usePoints(4, open, setPicking);
  const [a = "", b = "", c = "", d = ""] = points.values;
  const keep = async () => {
    const said = name.trim() || `Row ${room.steps.length + 1}`;
    await make({
      type: "put_repeat",
      repeat: { name: said, first: [a, b], second: [c, d], count },
    });
    points.clear();
    setName("");
  };
  return (
    <section data-steps>
      <h2>Equal steps</h2>
      <ul>
        {room.steps.map((each) => (
          <li key={each.name}>
            <span>
              <b>{each.name}</b>, {each.count} of them
              {each.trouble ? (
                <small className={styles.bad}>{each.trouble}</small>
              ) : (
                <ol>
                  {each.said.map((step) => (
                    <li key={step}>{step}</li>
                  ))}
                </ol>
              )}
            </span>
            <Remove
              name={each.name}
              onRemove={() => make({ type: "remove_depth", what: "repeats", key: each.name })}
            />
          </li>
        ))}
      </ul>
      {open && (
        <>
          <p>Tap top and foot of the first two. The others follow by diagonals.</p>
          <Input
            aria-label="Name of the row"
            placeholder="Jetty posts…"
            value={name}
            maxLength={80}
            onChange={(event) => setName(event.target.value)}
          />
          <label>
            How many in all{" "}
            <InputNumber
              aria-label="How many in all"
              min={3}
              max={30}
              value={count}
              onChange={(value) => setCount(value ?? 5)}
            />
          </label>
          <PointList bench={bench} asked={ASKED} points={points} />
          <Button type="primary" disabled={!a || !b || !c || !d} onClick={keep}>
            Keep the row
          </Button>
        </>
      )}
      <Begin open={open} onOpen={onOpen} what="A row in equal steps" />
    </section>
  );
}
