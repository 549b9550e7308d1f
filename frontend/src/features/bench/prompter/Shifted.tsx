// Something is not where it was before the break: told where the readings are, with the ways out.
import { Button } from "antd";
import type { Change, Prompts } from "../../../api/types";
import styles from "./Prompter.module.css";

type Props = { shifted: NonNullable<Prompts["shifted"]>; make: (change: Change) => void };

export function Shifted({ shifted, make }: Props) {
  return (
    <section aria-label="Something has shifted" role="status" data-shifted>
      <p className={styles.ask}>{shifted.said}</p>
      <p className={styles.because}>
        Step back to your mark, and the last readings are struck and asked again. Or go on from
        here: what you read now is a take of its own.
      </p>
      <div className={styles.actions}>
        <Button size="large" type="primary" onClick={() => make({ type: "back_to_the_mark" })}>
          Back to the mark
        </Button>
        <Button size="large" onClick={() => make({ type: "go_on_shifted" })}>
          A new take
        </Button>
        <Button size="large" onClick={() => make({ type: "model_moved" })}>
          {shifted.moved}
        </Button>
      </div>
    </section>
  );
}
