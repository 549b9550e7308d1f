// The plan: a few flat tones, what each becomes in the medium, how it is laid, and the drawing's own.
import { useQuery } from "@tanstack/react-query";
import { Button, InputNumber } from "antd";
import { useState } from "react";
import { api } from "../../api/client";
import { queries } from "../../api/queries";
import type { Bench, Change, ToneRoom } from "../../api/types";
import { download } from "../../shared/download";
import own from "./Plan.module.css";
import styles from "./Tone.module.css";

type Props = {
  bench: Bench;
  room: ToneRoom;
  groups: number;
  onGroups: (groups: number) => void;
  tell: (change: Change) => Promise<boolean>;
};

export function PlanPane({ bench, room, groups, onGroups, tell }: Props) {
  const [checked, setChecked] = useState(false);
  const drawn = useQuery({ ...queries.drawnTones(bench), enabled: checked });
  const chosen = room.media.find((each) => each.chosen);
  const [begin, ...passes] = room.laying;
  return (
    <>
      <label className={styles.field}>
        Medium
        <select
          aria-label="Medium"
          value={chosen?.name ?? ""}
          onChange={(event) => {
            const medium = room.media.find((each) => each.name === event.target.value);
            tell({
              type: "set_medium",
              medium: medium
                ? {
                    name: medium.name,
                    paper: medium.paper,
                    lightest: medium.lightest,
                    darkest: medium.darkest,
                  }
                : null,
            });
          }}
        >
          <option value="">not chosen</option>
          {room.media.map((each) => (
            <option key={each.name} value={each.name}>
              {each.title}
            </option>
          ))}
        </select>
      </label>
      {room.media_trouble.map((each) => (
        <p key={each} className={styles.bad}>
          {each}
        </p>
      ))}
      <label className={styles.field}>
        Flat tones
        <InputNumber
          aria-label="Flat tones"
          min={1}
          max={7}
          value={groups}
          onChange={(value) => value && onGroups(value)}
        />
      </label>
      {room.flat.length > 0 ? (
        <>
          {room.mixed && <p className={styles.bad}>{room.mixed}</p>}
          <ol className={styles.flat}>
            {room.flat.map((each) => (
              <li key={each.number} data-flat={each.number}>
                <i style={{ background: each.grey }} />
                <b>{each.said_tone}</b>
                <span>
                  {each.areas
                    .map((id) => room.areas.find((one) => one.id === id)?.name ?? id)
                    .join("; ")}
                  {each.bare && <small>as the paper is</small>}
                </span>
              </li>
            ))}
          </ol>
          <h3>How it is laid</h3>
          <p className={styles.note}>{begin}</p>
          <ol className={own.laying} data-laying>
            {passes.map((each) => (
              <li key={each}>{each}</li>
            ))}
          </ol>
        </>
      ) : (
        <p className={styles.note}>Compare areas first: then they fall into a few flat tones.</p>
      )}
      {chosen?.cautions.map((each) => (
        <p key={each} className={styles.caution}>
          {each}
        </p>
      ))}
      <div className={styles.row}>
        <Button
          disabled={!room.flat.length}
          onClick={() => download(api.takeAddress(bench.id, "tone-picture"))}
        >
          Picture
        </Button>
        <Button
          disabled={!room.flat.length}
          onClick={() => download(api.takeAddress(bench.id, "tones"))}
        >
          Plan to print
        </Button>
        <Button onClick={() => download(api.takeAddress(bench.id, "grey-card"))}>Grey card</Button>
        <Button onClick={() => setChecked(true)}>Check the drawing's tones</Button>
      </div>
      {drawn.error && <p role="alert">{drawn.error.message}</p>}
      {drawn.data && (
        <section data-drawn>
          <h3>The drawing's own tones</h3>
          {drawn.data.missing && <p className={styles.note}>{drawn.data.missing}</p>}
          {drawn.data.next && <p className={styles.large}>{drawn.data.next}</p>}
          {drawn.data.order.map((each) => (
            <p key={each} className={styles.bad}>
              {each}
            </p>
          ))}
          <ul className={styles.areas}>
            {drawn.data.areas.map((each) => (
              <li key={each.area} data-off={each.off}>
                <span>
                  <b>{each.name}</b>
                  <small>{each.said}</small>
                </span>
              </li>
            ))}
          </ul>
        </section>
      )}
    </>
  );
}
