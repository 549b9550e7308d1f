// The station's room: where to stand, drawn from above and from the side, what it warns of, what
// things measure from there, and the faults of the hand.

import { Button } from "antd";
import type { Bench, Change } from "../../../api/types";
import { Coming } from "../../../shared/Coming";
import { Faults } from "./Faults";
import { Light } from "./Light";
import { PlanView } from "./PlanView";
import { Reckoning } from "./Reckoning";
import { SideView } from "./SideView";
import styles from "./Station.module.css";
import { useStation } from "./useStation";

type Props = { bench: Bench; make: (change: Change) => Promise<string | null> };

export function StationRoom({ bench, make }: Props) {
  const { room, station, error, changed, trouble, move, forget, keep } = useStation(bench, make);
  if (error) {
    return <p role="alert">{error.message}</p>;
  }
  if (!room || !station) {
    return <Coming what="Pacing out the station…" />;
  }
  const names = new Map(bench.landmarks.map((each) => [each.id, each.name]));
  const hidden = room.hidden.flatMap((each) => names.get(each) ?? []);
  return (
    <div className={styles.room}>
      <div className={styles.drawings}>
        <PlanView room={room} station={station} onMove={move} />
        <SideView room={room} station={station} onMove={move} />
      </div>
      <div className={styles.seen}>
        <figure className={`on-paper ${styles.drawing}`}>
          <figcaption>What the eye sees · {room.scene}</figcaption>
          <img src={room.image} alt={`${room.scene} from this station`} className={styles.scene} />
        </figure>
        {!changed && <Light room={room} onChange={(light) => keep({ light })} />}
        {changed && (
          <div className={styles.keep}>
            <p>
              Readings taken from the old station no longer hold. Begin a new take, or a new study.
            </p>
            <Button type="primary" size="large" onClick={() => keep({})}>
              Stand here
            </Button>
            <Button size="large" onClick={forget}>
              Back to where I stood
            </Button>
          </div>
        )}
        {trouble && (
          <p role="alert" className={styles.bad}>
            {trouble}
          </p>
        )}
        <ul className={styles.cautions} aria-label="To mend about the station">
          {room.cautions.map((each) => (
            <li key={each.about}>
              <b aria-hidden="true">!</b> {each.text}
            </li>
          ))}
          {room.cautions.length === 0 && (
            <li className={styles.good}>
              A good place to stand: {room.reckoned.times_away.toFixed(1)} times the subject's
              largest size away.
            </li>
          )}
          {hidden.length > 0 && <li>Hidden from here: {hidden.join(", ")}.</li>}
        </ul>
      </div>
      <Reckoning room={room} station={station} onMove={move} />
      <Faults room={room} onChange={(faults) => keep({ faults })} />
    </div>
  );
}
