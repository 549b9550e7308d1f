// That all readings keep to one step: said once, and taken or refused.
import { Button } from "antd";
import type { Bench } from "../../../api/types";
import styles from "./Prompter.module.css";

type Props = {
  artist: Bench["artist"];
  onCounting: (to: Bench["artist"]["found"]) => void;
};

export function HowYouCount({ artist, onCounting }: Props) {
  if (!artist.said) {
    return null;
  }
  return (
    <section aria-label="How finely you count">
      <h2 className={styles.label}>How finely you count</h2>
      <p className={styles.because}>{artist.said}</p>
      <div className={styles.actions}>
        <Button onClick={() => onCounting(artist.found)}>So it is</Button>
        <Button onClick={() => onCounting(null)}>No, finer</Button>
      </div>
    </section>
  );
}
