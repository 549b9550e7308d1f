// The time at hand: poses and rests, what fits into a pose, the clock while it runs, the log.
import { useQuery } from "@tanstack/react-query";
import { Button } from "antd";
import { useState } from "react";
import { Link } from "react-router";
import { queries } from "../../api/queries";
import type { Bench, Change, SittingRoom as Room } from "../../api/types";
import buttons from "../../shared/LinkButton.module.css";
import { Said } from "../../shared/Said";
import { useSittingClock } from "../../shared/sittingClock";
import { BeginShortPoses } from "./BeginShortPoses";
import { Clock } from "./Clock";
import { LayOut } from "./LayOut";
import { Log } from "./Log";
import { NextSitting } from "./NextSitting";
import { Place } from "./Place";
import { ONE_POSE, Sets } from "./Sets";
import styles from "./Sitting.module.css";
import type { Tell } from "./tell";

type Props = { bench: Bench; make: (change: Change) => Promise<string | null> };

export function SittingRoom({ bench, make }: Props) {
  const [chosen, setChosen] = useState<string | null>(null);
  const [own, setOwn] = useState(10);
  const [trouble, setTrouble] = useState<string | null>(null);
  const first = useQuery(queries.sitting(bench, own, chosen));
  const name = chosen ?? first.data?.usual_set;
  const set = first.data?.sets.find((each) => each.name === name);
  const at = useSittingClock(bench.clock);
  // While a pose runs, what is left of it counts, in steps of half a minute.
  const left = at && at.block !== null && at.kind !== "rest" ? at.secondsLeft : null;
  const minutes = left === null ? minutesOf(set, own) : Math.max(Math.round(left / 30) / 2, 1);
  const { data: room, error } = useQuery(queries.sitting(bench, minutes, set?.name ?? null));
  const tell: Tell = async (change) => {
    const wrong = await make(change);
    setTrouble(wrong);
    return wrong === null;
  };
  if (error) {
    return <p role="alert">{error.message}</p>;
  }
  if (!room) {
    return null;
  }
  const blocks = set?.blocks ?? [{ kind: "pose", minutes: own }];
  return (
    <div className={styles.room}>
      <div className={styles.main}>
        {trouble && (
          <p role="alert" className={styles.bad}>
            {trouble}
          </p>
        )}
        {bench.clock ? (
          <Clock bench={bench} clock={bench.clock} room={room} tell={tell} />
        ) : (
          <section className={styles.choose} aria-label="Time at hand">
            <h1>How much time is there?</h1>
            <Sets
              room={room}
              chosen={set ? set.name : ONE_POSE}
              own={own}
              onChoose={setChosen}
              onOwn={setOwn}
            />
            <p>
              <label>
                What it is of
                <select
                  value={room.care.about ?? ""}
                  onChange={(event) =>
                    tell({ type: "set_about", about: event.target.value || null } as Change)
                  }
                >
                  <option value="">not said</option>
                  {room.care.choices.map(([about, said]) => (
                    <option key={about} value={about}>
                      {said}
                    </option>
                  ))}
                </select>
              </label>
            </p>
            {set?.short && <BeginShortPoses study={bench.id} set={set} />}
            <Button
              type={set?.short ? "default" : "primary"}
              size="large"
              onClick={() =>
                tell({ type: "begin_sitting", blocks, shares: set?.shares ?? {} } as Change)
              }
            >
              {set?.short ? "All in this drawing" : "Begin now"}
            </Button>
            <p className={styles.care}>{room.care.before}</p>
          </section>
        )}
        <Log bench={bench} room={room} tell={tell} />
        {!bench.clock && (
          <Place
            key={`place ${JSON.stringify(room.place.place)}`}
            room={room}
            bench={bench}
            tell={tell}
          />
        )}
      </div>
      <div className={styles.main}>
        {at?.kind !== "rest" && <Plan room={room} bench={bench} />}
        {!bench.clock && (
          <>
            <NextSitting key={room.next_at} study={bench.id} at={room.next_at} tell={tell} />
            <LayOut room={room} study={bench.id} />
          </>
        )}
      </div>
    </div>
  );
}

/** Readings that are shown at first. */
const FIRST = 8;

function minutesOf(set: Room["sets"][number] | undefined, own: number): number {
  return set?.blocks.find((each) => each.kind !== "rest")?.minutes ?? own;
}

function Plan({ room, bench }: { room: Room; bench: Bench }) {
  const { plan } = room;
  const [all, setAll] = useState(false);
  const seconds = Math.round(room.seconds_per_reading);
  return (
    <aside className={styles.plan} aria-label="What fits in" data-plan={plan.readings.length}>
      <h2>
        {bench.clock ? "What still fits into" : "What fits into"} {say(plan.minutes)}
      </h2>
      <ol className={styles.stages}>
        {plan.stages.map((each) => (
          <li key={each.stage} style={{ flexGrow: each.minutes }}>
            <b>{each.name}</b>
            {say(each.minutes)}
          </li>
        ))}
      </ol>
      <p>{plan.said}</p>
      <p className={styles.pace}>
        {room.own_pace
          ? `At your own pace, ${seconds} seconds a reading.`
          : `At ${seconds} seconds a reading; once you have sighted for a while, at your own pace.`}
      </p>
      {plan.left_loose && <p>{plan.left_loose}</p>}
      {plan.over.map((each) => (
        <p key={each}>
          <Said text={each} />
        </p>
      ))}
      {plan.readings.length > 0 && (
        <ol className={styles.readings}>
          {plan.readings.slice(0, all ? undefined : FIRST).map((each, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: the same may be asked twice in a plan
            <li key={i}>{each}</li>
          ))}
        </ol>
      )}
      {plan.readings.length > FIRST && (
        <Button size="large" aria-expanded={all} onClick={() => setAll(!all)}>
          {all ? "Only the first" : `All ${plan.readings.length} readings`}
        </Button>
      )}
      {!bench.clock && (
        <Link className={buttons.plain} to={`/studies/${bench.id}?easel=yes`}>
          To the easel
        </Link>
      )}
    </aside>
  );
}

function say(minutes: number): string {
  const whole = Math.floor(minutes);
  const seconds = Math.round((minutes - whole) * 60);
  if (whole === 0) {
    return `${seconds} s`;
  }
  return seconds && whole < 10 ? `${whole} min ${seconds} s` : `${Math.round(minutes)} min`;
}
