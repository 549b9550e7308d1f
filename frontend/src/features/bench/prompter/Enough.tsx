// That the shapes stand well enough, and the two ways from there.
import { Button } from "antd";
import { Link } from "react-router";
import buttons from "../../../shared/LinkButton.module.css";
import styles from "./Prompter.module.css";
import type { Next } from "./useNext";

export function Enough({ study, next }: { study: number; next: Next }) {
  if (!next.enough) {
    return null;
  }
  return (
    <div data-enough={next.enough.tier}>
      <p className={styles.ask}>{next.enough.said}</p>
      <div className={styles.actions}>
        <Link className={buttons.begin} to={`/studies/${study}/draw`}>
          Draw
        </Link>
        <Button size="large" onClick={next.goOn}>
          {next.enough.on}
        </Button>
      </div>
    </div>
  );
}
