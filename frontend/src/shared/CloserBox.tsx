// Round a picture that can be looked at more closely: the keys for who has no two fingers free.
import { Button } from "antd";
import styles from "./CloserBox.module.css";
import type { Closer } from "./useCloser";

type Props = { closer: Closer; children: React.ReactNode };

export function CloserBox({ closer, children }: Props) {
  return (
    <div className={styles.box}>
      {children}
      <div className={styles.keys} role="toolbar" aria-label="How the picture is looked at">
        <Button aria-label="Look closer" onClick={closer.closer}>
          +
        </Button>
        {closer.zoom > 1 && <Button onClick={closer.whole}>As a whole</Button>}
      </div>
    </div>
  );
}
