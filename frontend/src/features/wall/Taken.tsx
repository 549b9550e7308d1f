// What was just taken off the wall, for as long as one may have meant another.
import { Button } from "antd";
import { useEffect } from "react";
import styles from "./Taken.module.css";

const OFFERED_MS = 8000;

type Props = { onBack: () => void; onOver: () => void };

export function Taken({ onBack, onOver }: Props) {
  useEffect(() => {
    const later = window.setTimeout(onOver, OFFERED_MS);
    return () => window.clearTimeout(later);
  }, [onOver]);
  return (
    <p role="status" className={styles.taken}>
      Taken off the wall.
      <Button size="large" onClick={onBack}>
        Hang it up again
      </Button>
    </p>
  );
}
