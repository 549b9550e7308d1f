// Cast shadows: one thing and its shadow's tip tell where the others' must fall.
import { Button, Input } from "antd";
import { useState } from "react";
import { Choice } from "../../../shared/Choice";
import { Begin, type DepthPart } from "./Depth";
import { freshId } from "./freshId";
import { PointList } from "./PointList";
import { Remove } from "./Remove";
import { usePoints } from "./usePoints";

const ASKED = ["Top", "Foot, straight under it", "Tip of its shadow"] as const;
const LIGHTS = [
  { value: "sun", label: "Sun" },
  { value: "lamp", label: "Lamp" },
];

export function Shadows({ bench, room, make, setPicking, open, onOpen }: DepthPart) {
  const [name, setName] = useState("");
  const [light, setLight] = useState<"sun" | "lamp">("sun");
  const points = usePoints(3, open, setPicking);
  const [top = "", foot = "", tip = ""] = points.values;
  const keep = async () => {
    const said = name.trim() || `Shadow ${room.shadows.length + 1}`;
    const shadow = { id: freshId("shadow", room.shadows), name: said, top, foot, tip, light };
    await make({ type: "put_shadow", shadow });
    points.clear();
    setName("");
  };
  return (
    <section data-shadows>
      <h2>Cast shadows</h2>
      {room.lights.map((each) => (
        <p key={each}>{each}</p>
      ))}
      <ul>
        {room.shadows.map((each) => (
          <li key={each.id}>
            <span>
              <b>{each.name}</b>, from the {each.light}
            </span>
            <Remove
              name={each.name}
              onRemove={() => make({ type: "remove_depth", what: "shadows", key: each.id })}
            />
          </li>
        ))}
      </ul>
      {open && (
        <>
          <p>
            Tips need not be sighted all: once the light is known, Zirkel puts the others where they
            must fall, as surely as it can.
          </p>
          <Input
            aria-label="Name of the shadow"
            placeholder="Shadow of the post…"
            value={name}
            maxLength={80}
            onChange={(event) => setName(event.target.value)}
          />
          <Choice
            options={LIGHTS}
            value={light}
            onChange={(value) => setLight(value as "sun" | "lamp")}
          />
          <PointList bench={bench} asked={ASKED} points={points} />
          <Button type="primary" disabled={!top || !foot || !tip} onClick={keep}>
            Keep the shadow
          </Button>
        </>
      )}
      <Begin open={open} onOpen={onOpen} what="A cast shadow" />
    </section>
  );
}
