// What can be done with the stick at this moment, under a thumb, and what it says.
import { Button } from "antd";
import type { Prompt } from "../../../api/types";
import { Said } from "../../../shared/Said";
import styles from "./Stick.module.css";
import type { Stick } from "./useStick";

type Props = {
  stick: Stick;
  unit: string;
  /** What is asked for now: it stands here where there is no room for it beside. */
  asked: Prompt | undefined;
  /** It was asked for by an earlier version: it can't be taken any more. */
  stale: boolean;
  onTake: () => void;
};

export function StickBar({ stick, unit, asked, stale, onTake }: Props) {
  const { tip, end } = stick.ends;
  const laid = tip.landmark === asked?.start && end.landmark === asked?.end;
  const open = asked && !laid && stick.thumb > 0;
  const hint =
    stick.needsThumb && stick.thumb === 0
      ? `Lay the stick over one ${unit} and set the thumb there.`
      : stick.counts
        ? "Lay the tip on one landmark, the ring on the other. Step it off, or read it."
        : "Lay the tip on one landmark, the ring on the other, and read.";
  return (
    <div className={styles.bar} data-stick="true">
      <p role="status">
        {asked && <span className={styles.asked}>{asked.ask}</span>}
        <span>
          <Said text={stick.said ?? hint} />
        </span>
      </p>
      <div>
        {open && (
          <Button type="primary" className={styles.take ?? ""} disabled={stale} onClick={onTake}>
            Take it
          </Button>
        )}
        {stick.needsThumb && (
          <Button onClick={stick.setToUnit} type={stick.thumb === 0 ? "primary" : "default"}>
            {stick.thumb === 0 ? `Set the thumb to 1 ${unit}` : "Set it again"}
          </Button>
        )}
        {stick.counts && (
          <Button onClick={stick.step} disabled={stick.thumb === 0}>
            Step {stick.steps > 0 && <b>{stick.steps}</b>}
          </Button>
        )}
        <Button
          onClick={stick.read}
          type={!open && (stick.thumb > 0 || !stick.needsThumb) ? "primary" : "default"}
        >
          Read it
        </Button>
        <Button type="text" onClick={stick.toggle}>
          Put away
        </Button>
      </div>
    </div>
  );
}
