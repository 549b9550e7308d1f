// The place: a plan of chair, easel and light, what to tick off to come back, photographs of it.
import { Button } from "antd";
import { useState } from "react";
import { api } from "../../api/client";
import type { Bench, Change, SittingRoom as Room } from "../../api/types";
import { download } from "../../shared/download";
import { PictureUpload } from "../../shared/PictureUpload";
import { useArtist } from "../../shared/useArtist";
import styles from "./Place.module.css";
import { PlaceForm } from "./PlaceForm";
import { PlacePlan } from "./PlacePlan";
import type { Tell } from "./tell";

type Props = { room: Room; bench: Bench; tell: Tell };

export function Place({ room, bench, tell }: Props) {
  const artist = useArtist();
  const { place, written, plan, checklist } = room.place;
  const [writing, setWriting] = useState(false);
  const [done, setDone] = useState<ReadonlySet<string>>(new Set());
  const photographs = place.photographs ?? [];
  const keep = (changed: typeof place) =>
    tell({ type: "set_place", place: { ...place, ...changed } } as Change);
  const tick = (what: string) => {
    const next = new Set(done);
    if (!next.delete(what)) {
      next.add(what);
    }
    setDone(next);
  };
  return (
    <section className={styles.place} aria-label="The place">
      <div className={styles.head}>
        <h2>{written ? "Back at the same place" : "The place"}</h2>
        <Button size="large" aria-expanded={writing} onClick={() => setWriting(!writing)}>
          {writing ? "Leave it" : written ? "Change it" : "Write it down"}
        </Button>
        {(plan || checklist.length > 0) && (
          <Button size="large" onClick={() => download(api.takeAddress(bench.id, "place", artist))}>
            Print the plan
          </Button>
        )}
      </div>
      {writing && (
        <PlaceForm
          place={place}
          onKeep={async (changed) => {
            if (await keep(changed)) {
              setWriting(false);
            }
          }}
        />
      )}
      {!writing && checklist.length === 0 && (
        <p className={styles.hint}>
          Chair, easel and light come back to the same spot only if they are measured once: a
          string, chalk crosses on the floor and two photographs are enough.
        </p>
      )}
      {!writing && (
        <div className={styles.shown}>
          {plan && <PlacePlan plan={plan} />}
          <ul className={styles.list}>
            {checklist.map((each) => (
              <li key={each}>
                <label>
                  <input type="checkbox" checked={done.has(each)} onChange={() => tick(each)} />
                  <span>{each}</span>
                </label>
              </li>
            ))}
          </ul>
        </div>
      )}
      <div className={styles.photographs}>
        {photographs.map((each, i) => (
          <figure key={each}>
            <a href={`/api/v1/pictures/${each}/view?longest=2400`}>
              <img
                src={`/api/v1/pictures/${each}/view?longest=480`}
                alt={`The set-up, photograph ${i + 1}`}
              />
            </a>
            <Button
              type="text"
              onClick={() => keep({ photographs: photographs.filter((one) => one !== each) })}
            >
              Take out
            </Button>
          </figure>
        ))}
        <PictureUpload
          label="Photograph set-up or floor marks"
          onTaken={(taken) =>
            keep({
              photographs: [...photographs.filter((one) => one !== taken.picture), taken.picture],
            })
          }
        />
      </div>
    </section>
  );
}
