// Circles seen as ellipses: rims, feet, wheels.
import { Button, Checkbox, Input } from "antd";
import { useState } from "react";
import { Said } from "../../../shared/Said";
import { Begin, type DepthPart } from "./Depth";
import styles from "./Depth.module.css";
import { freshId } from "./freshId";
import { PointList } from "./PointList";
import { Remove } from "./Remove";
import { usePoints } from "./usePoints";

const ASKED = ["Left end", "Right end", "Nearest rim", "Farthest rim"] as const;

export function Circles({ bench, room, make, setPicking, open, onOpen }: DepthPart) {
  const [name, setName] = useState("");
  const [level, setLevel] = useState(true);
  const points = usePoints(4, open, setPicking);
  const [left = "", right = "", near = "", far = ""] = points.values;
  const keep = async () => {
    const said = name.trim() || `Circle ${room.rounds.length + 1}`;
    const id = freshId("round", room.rounds);
    const round = { id, name: said, left, right, near, level, ...(far ? { far } : {}) };
    await make({ type: "put_round", round });
    points.clear();
    setName("");
  };
  return (
    <section data-circles>
      <h2>Circles</h2>
      <ul>
        {room.rounds.map((each) => (
          <li key={each.id} className={each.doubted ? styles.bad : undefined}>
            <Said text={each.said} />
            <Remove
              name={each.name}
              onRemove={() => make({ type: "remove_depth", what: "rounds", key: each.id })}
            />
          </li>
        ))}
      </ul>
      {open && (
        <>
          <p>
            A rim, a foot, a wheel: tap where it is widest, left and right, then the middle of its
            nearest rim. The lower under your eye, the rounder.
          </p>
          <Input
            aria-label="Name of the circle"
            placeholder="Rim of the jug…"
            value={name}
            maxLength={80}
            onChange={(event) => setName(event.target.value)}
          />
          <PointList bench={bench} asked={ASKED} points={points} optional={1} />
          <Checkbox checked={level} onChange={(event) => setLevel(event.target.checked)}>
            lies level in reality
          </Checkbox>
          <Button type="primary" disabled={!left || !right || !near} onClick={keep}>
            Keep the circle
          </Button>
        </>
      )}
      <Begin open={open} onOpen={onOpen} what="A circle" />
    </section>
  );
}
