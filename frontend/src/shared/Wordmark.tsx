// The name, with a plumb hung from its first letter.
import { Link } from "react-router";
import styles from "./Wordmark.module.css";

export function Wordmark() {
  return (
    <Link to="/" className={styles.mark} aria-label="Zirkel, to the wall of studies">
      <svg width="18" height="30" viewBox="0 0 18 30" aria-hidden="true">
        <path d="M2 3h14" stroke="currentColor" strokeWidth="2.4" />
        <path d="M9 3v17" stroke="currentColor" strokeWidth="1.4" />
        <path d="M5.5 19h7L9 28z" fill="var(--verdigris)" />
      </svg>
      <span>Zirkel</span>
    </Link>
  );
}
