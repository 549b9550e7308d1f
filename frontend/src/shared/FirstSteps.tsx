// On a first visit: one sentence of what to do now, until the recipe is printed.
import { Button } from "antd";
import { Link } from "react-router";
import type { Bench } from "../api/types";
import styles from "./FirstSteps.module.css";
import { useFirstVisit } from "./firstVisit";
import buttons from "./LinkButton.module.css";

type Props = {
  bench: Bench;
  room: "bench" | "draw";
  /** Whether the stick is in hand, and the thumb set on it. */
  stick?: { inHand: boolean; thumb: number };
};

export function FirstSteps({ bench, room, stick }: Props) {
  const visit = useFirstVisit();
  if (visit.study !== bench.id) {
    return null;
  }
  const large = bench.landmarks.filter((each) => each.tier === 1);
  const held = large.filter((each) => each.standing !== "loose").length;
  const all = large.length > 0 && held === large.length;
  return (
    <section className={styles.first} aria-label="First steps">
      {room === "draw" ? (
        <>
          <p>
            This is how to draw it: one mark at a time, most of them by what is level, plumb or
            half-way. Print it, lay it beside your paper, and draw.
          </p>
          <a
            className={buttons.begin}
            href={`/api/v1/studies/${bench.id}/take/recipe`}
            onClick={() => setTimeout(visit.leave)}
          >
            Print the recipe
          </a>
        </>
      ) : (
        <>
          <p>{now(bench, held, large.length, stick)}</p>
          {all && (
            <Link className={buttons.begin} to={`/studies/${bench.id}/draw`}>
              Draw by them
            </Link>
          )}
        </>
      )}
      <Button type="text" size="middle" onClick={visit.leave}>
        I find my way
      </Button>
    </section>
  );
}

function now(bench: Bench, held: number, large: number, stick: Props["stick"]): string {
  const unit = bench.unit?.name ?? "unit";
  if (held === large) {
    return "All large landmarks are held: you can draw by them. Sight on, and they get surer.";
  }
  if (!stick?.inHand) {
    return bench.readings.length === 0
      ? "This is your subject, this your sheet: nothing on it is held yet. Take up the stick."
      : "Take up the stick again, or answer what is asked by eye on the pad.";
  }
  if (stick.thumb === 0) {
    return `The stick lies over one ${unit}. Set the thumb to it: everything is counted in that.`;
  }
  if (bench.readings.length === 0) {
    return "Take it, read it, keep it: three taps a reading. Watch the sheet.";
  }
  return `${held} of ${large} large landmarks are held. Go on: take it, read it, keep it.`;
}
