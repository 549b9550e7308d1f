// The study's landmarks: added, named, given their tier, placed by a tap, removed.
import { Button, Input } from "antd";
import { useState } from "react";
import type { Bench } from "../../../api/types";
import type { Part } from "./part";
import styles from "./Setup.module.css";

const TIERS = ["large shapes", "middle", "detail"] as const;

type Placing = { placing: string | null; onPlace: (landmark: string | null) => void };

export function Landmarks({ bench, make, placing, onPlace }: Part & Placing) {
  const [name, setName] = useState("");
  const add = async () => {
    if (name.trim()) {
      await make({ type: "add_landmark", name: name.trim(), tier: 2 });
      setName("");
    }
  };
  const live = bench.subject.kind === "thumbnail";
  return (
    <section>
      <h2>Landmarks</h2>
      {placing && (
        <p role="status" className={styles.placing}>
          Tap where it sits on the subject.{" "}
          <Button size="middle" onClick={() => onPlace(null)}>
            Leave it
          </Button>
        </p>
      )}
      <div className={styles.row}>
        <Input
          aria-label="New landmark"
          value={name}
          placeholder="Another landmark"
          maxLength={200}
          onChange={(e) => setName(e.target.value)}
          onPressEnter={add}
        />
        <Button disabled={!name.trim()} onClick={add}>
          Add
        </Button>
      </div>
      <ul>
        {bench.landmarks.map((each) => (
          <LandmarkRow
            key={each.id}
            landmark={each}
            make={make}
            onPlace={live ? () => onPlace(each.id) : undefined}
          />
        ))}
      </ul>
    </section>
  );
}

type Row = {
  landmark: Bench["landmarks"][number];
  make: Part["make"];
  onPlace: (() => void) | undefined;
};

function LandmarkRow({ landmark, make, onPlace }: Row) {
  const [asking, setAsking] = useState(false);
  const [name, setName] = useState(landmark.name);
  const { id, rough } = landmark;
  const edit = (part: { name?: string; tier?: number }) =>
    make({
      type: "edit_landmark",
      landmark: { id, name: landmark.name, tier: landmark.tier, rough, ...part },
    });
  const rename = () => {
    if (name.trim() && name !== landmark.name) {
      edit({ name: name.trim() });
    }
  };
  if (asking) {
    return (
      <li className={styles.asking}>
        <span>
          {landmark.readings} {landmark.readings === 1 ? "reading uses" : "readings use"}{" "}
          {landmark.name}.
        </span>
        <Button
          size="middle"
          onClick={() => make({ type: "remove_landmark", id, with_sightings: true })}
        >
          Remove with them
        </Button>
        <Button size="middle" onClick={() => setAsking(false)}>
          Keep
        </Button>
      </li>
    );
  }
  return (
    <li className={styles.landmark}>
      <kbd>{landmark.letters}</kbd>
      <Input
        aria-label={`Name of ${landmark.name}`}
        variant="borderless"
        value={name}
        onChange={(e) => setName(e.target.value)}
        onBlur={rename}
        onPressEnter={rename}
      />
      <select
        aria-label={`${landmark.name} belongs to`}
        value={landmark.tier}
        onChange={(e) => edit({ tier: Number(e.target.value) })}
      >
        {TIERS.map((each, i) => (
          <option key={each} value={i + 1}>
            {each}
          </option>
        ))}
      </select>
      {onPlace && (
        <Button size="middle" type="text" aria-label={`Place ${landmark.name}`} onClick={onPlace}>
          {rough ? "Move" : "Place"}
        </Button>
      )}
      <Button
        size="middle"
        type="text"
        aria-label={`Remove ${landmark.name}`}
        onClick={() =>
          landmark.readings
            ? setAsking(true)
            : make({ type: "remove_landmark", id, with_sightings: false })
        }
      >
        Remove
      </Button>
    </li>
  );
}
