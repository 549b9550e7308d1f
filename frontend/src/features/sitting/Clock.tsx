// The clock while a sitting goes on: large, quiet, with a soft bell at the end of each block.
import { Button, Switch } from "antd";
import { useEffect, useRef, useState } from "react";
import { Link } from "react-router";
import type { Bench, SittingRoom as Room, RunningClock } from "../../api/types";
import buttons from "../../shared/LinkButton.module.css";
import { asMinutes, KIND_WORDS, useSittingClock } from "../../shared/sittingClock";
import { ring } from "./bell";
import styles from "./Sitting.module.css";
import type { Tell } from "./tell";
import { useAwake } from "./useAwake";

const QUIET = "bell";
/** Seconds after which shoulder and eyes are due a rest that no plan foresaw. */
const LONG_WITHOUT_REST = 1800;

/** Seconds before its end from which a pose is told to be nearly over. */
const SOON = 120;

type Props = {
  bench: Bench;
  clock: RunningClock;
  room: Room;
  tell: Tell;
};

export function Clock({ bench, clock, room, tell }: Props) {
  const at = useSittingClock(clock);
  const [bell, setBell] = useState(() => localStorage.getItem(QUIET) !== "off");
  const before = useRef(at?.block ?? null);
  useAwake();
  useEffect(() => {
    if (at && at.block !== before.current) {
      if (bell) {
        ring(at.kind === "rest" || at.block === null ? 2 : 1);
      }
      before.current = at.block;
    }
  }, [at, bell]);
  if (!at) {
    return null;
  }
  const total = clock.blocks.filter((each) => each.kind === "pose").length;
  const number = clock.blocks
    .slice(0, (at.block ?? clock.blocks.length) + 1)
    .filter((each) => each.kind === "pose").length;
  const rests = at.kind === "rest";
  return (
    <section className={styles.clock} aria-label="Clock" data-kind={at.kind}>
      <p className={styles.kind}>
        {KIND_WORDS[at.kind]}
        {at.kind === "pose" && total > 1 ? ` ${number} of ${total}` : ""}
      </p>
      <p className={styles.left} data-left={at.secondsLeft}>
        {at.block === null ? "0:00" : asMinutes(at.secondsLeft)}
      </p>
      {at.stage && (
        <p className={styles.stage} data-stage>
          <b>{at.stage.name}</b> {asMinutes(at.stage.secondsLeft)}
        </p>
      )}
      <p className={styles.hint} role="status">
        {at.block === null
          ? room.care.over
          : rests
            ? room.care.resting
            : at.sinceRest > LONG_WITHOUT_REST
              ? room.care.tired
              : at.secondsLeft < SOON
                ? "Nearly over: bring the stroke to its end, then stand back and look."
                : "Large shapes first; what the plan leaves out is left to the eye."}
      </p>
      <ol className={styles.blocks} aria-label="Poses and rests">
        {clock.blocks.map((each, i) => (
          <li
            // biome-ignore lint/suspicious/noArrayIndexKey: a block is its place in the sitting
            key={i}
            data-kind={each.kind}
            aria-current={i === at.block ? "step" : undefined}
            style={{ flexGrow: each.minutes }}
          >
            {Math.round(each.minutes)}
          </li>
        ))}
      </ol>
      {room.same && (
        <p className={room.shifted ? styles.shifted : styles.same} data-same>
          {room.same}
        </p>
      )}
      <div className={styles.actions}>
        <Link className={buttons.begin} to={`/studies/${bench.id}?easel=yes`}>
          To the easel
        </Link>
        <Button size="large" onClick={() => tell({ type: "model_moved" })}>
          {room.care.moved}
        </Button>
        {!rests && at.block !== null && (
          <Button size="large" onClick={() => tell({ type: "rest_now" })}>
            Rest now
          </Button>
        )}
        <Button size="large" onClick={() => tell({ type: "end_sitting" })}>
          End the sitting
        </Button>
        <label className={styles.bell}>
          <Switch
            checked={bell}
            onChange={(on) => {
              localStorage.setItem(QUIET, on ? "on" : "off");
              setBell(on);
            }}
          />
          Bell
        </label>
      </div>
      {clock.moved > 0 && (
        <p className={styles.hint}>
          Moved {clock.moved === 1 ? "once" : `${clock.moved} times`}: what is sighted since then is
          a take of its own, and a few readings are asked again first.
        </p>
      )}
    </section>
  );
}
