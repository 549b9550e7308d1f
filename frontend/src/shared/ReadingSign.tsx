// A reading as a line of its own: how it came about by the line, how it stands by its dashes and mark.
import styles from "./ReadingSign.module.css";

export type Standing = "fits" | "unchecked" | "doubted" | "struck";
export type Origin = "measured" | "computed" | "guessed";

/** Where a reading comes from, by the note it carries. */
export function originOf(note: unknown): Origin {
  return note === "computed" ? "computed" : note === "by eye" ? "guessed" : "measured";
}

const LINES: Record<Origin, string> = {
  measured: "M2 7H34",
  computed: "M2 5H34M2 9H34",
  guessed: "M2 7q4-6 8 0t8 0t8 0t8 0",
};

export function ReadingSign({ origin, standing }: { origin: Origin; standing: Standing }) {
  return (
    <svg
      viewBox="0 0 36 14"
      width="36"
      height="14"
      className={styles.sign}
      data-standing={standing}
      aria-hidden="true"
    >
      {standing === "doubted" ? (
        <path d="M2 7l4-5 5 10 5-10 5 10 5-10 5 10 3-5" />
      ) : (
        <path d={LINES[origin]} />
      )}
      {standing === "fits" && <rect x="15.5" y="4.5" width="5" height="5" />}
      {standing === "struck" && <path d="M12 12L24 2" className={styles.through} />}
    </svg>
  );
}
