// A head: how it is turned, its construction, and where it departs from the rules of thumb.
import { useQuery } from "@tanstack/react-query";
import { Button } from "antd";
import { useState } from "react";
import { queries } from "../../../api/queries";
import { Said } from "../../../shared/Said";
import { Begin, type DepthPart } from "./Depth";
import styles from "./Depth.module.css";
import { freshId } from "./freshId";
import { Remove } from "./Remove";

const SHOWN = 5;

export function Heads({ bench, make, open, onOpen }: DepthPart) {
  const told = useQuery(queries.heads(bench));
  const [points, setPoints] = useState<Record<string, string>>({});
  const [edited, setEdited] = useState<string | null>(null);
  const room = told.data;
  if (!room) {
    return null;
  }
  const begin = (id: string | null) => {
    setEdited(id);
    setPoints(room.heads.find((each) => each.id === id)?.points ?? {});
    onOpen(true);
  };
  const keep = async () => {
    const known = room.heads.find((each) => each.id === edited);
    const head = {
      id: known?.id ?? freshId("head", room.heads),
      name: known?.name ?? "Head",
      points: Object.fromEntries(Object.entries(points).filter(([, landmark]) => landmark)),
    };
    await make({ type: "put_head", head });
    onOpen(false);
  };
  return (
    <section data-heads>
      <h2>Heads and figures</h2>
      {room.heads.map((head) => (
        <div key={head.id} className={styles.head}>
          {head.said.map((each) => (
            <p key={each}>
              <Said text={each} />
            </p>
          ))}
          {head.off.length > 0 && (
            <p className={styles.bad}>
              Off its place by more than heads and readings are: {head.off.join("; ")}. Sight it
              again.
            </p>
          )}
          {head.departures.length > 0 && (
            <ul>
              {head.departures.slice(0, SHOWN).map((each) => (
                <li key={each.measure} data-departs={each.departs}>
                  <Said text={each.said} />
                </li>
              ))}
            </ul>
          )}
          {head.predicted.length > 0 && (
            <p>
              Not sighted yet, drawn as dotted rings where they are to be expected:{" "}
              {head.predicted.map((each) => each.said).join("; ")}.
            </p>
          )}
          <div className={styles.row}>
            <Button size="middle" type="text" onClick={() => begin(head.id)}>
              Its points
            </Button>
            <Remove name={head.name} onRemove={() => make({ type: "remove_head", id: head.id })} />
          </div>
        </div>
      ))}
      {room.heads.length > 0 && <p className={styles.quiet}>{room.note}</p>}
      {room.figures.map((figure) => (
        <div key={figure.id} className={styles.head} data-figure={figure.id}>
          <b>{figure.name}</b>
          {figure.said.map((each) => (
            <p key={each}>
              <Said text={each} />
            </p>
          ))}
          <div className={styles.row}>
            <Remove
              name={figure.name}
              onRemove={() => make({ type: "remove_figure", id: figure.id })}
            />
          </div>
        </div>
      ))}
      {open && (
        <>
          <p>Six points or more, left and right as you see them in the picture.</p>
          <div className={styles.points}>
            {room.points.map((point) => (
              <label key={point}>
                <span>{point.replaceAll("_", " ")}</span>
                <select
                  aria-label={`Point ${point}`}
                  value={points[point] ?? ""}
                  onChange={(event) => setPoints({ ...points, [point]: event.target.value })}
                >
                  <option value="">not seen</option>
                  {bench.landmarks.map((each) => (
                    <option key={each.id} value={each.id}>
                      {each.name}
                    </option>
                  ))}
                </select>
              </label>
            ))}
          </div>
          <Button type="primary" onClick={keep}>
            Keep the head
          </Button>
        </>
      )}
      <Begin
        open={open}
        what="A head"
        onOpen={(wanted) => (wanted ? begin(null) : onOpen(false))}
      />
    </section>
  );
}
