// What a room shows while it is fetched: its frame, a sheet still empty, and what is awaited.
import { useEffect, useState } from "react";
import styles from "./Coming.module.css";

/** Milliseconds after which it is said that it takes longer. */
const LONG = 6000;

export function Coming({ what }: { what: string }) {
  const [long, setLong] = useState(false);
  useEffect(() => {
    const later = window.setTimeout(() => setLong(true), LONG);
    return () => window.clearTimeout(later);
  }, []);
  return (
    <div className={styles.coming}>
      <svg viewBox="0 0 120 90" aria-hidden="true">
        <rect x="24" y="8" width="72" height="74" />
        <path d="M60 8v74M24 45h72" />
      </svg>
      <p role="status">
        {what}
        {long && <small>It takes longer than usual. What is fetched goes on by itself.</small>}
      </p>
    </div>
  );
}
