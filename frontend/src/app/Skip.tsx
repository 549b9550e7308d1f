// For keys alone: past the head, to the room itself.
import styles from "./Skip.module.css";

export function Skip() {
  return (
    <button
      type="button"
      className={`visually-hidden ${styles.skip}`}
      onClick={() => {
        const main = document.querySelector("main");
        if (main) {
          main.tabIndex = -1;
          main.focus();
        }
      }}
    >
      Skip the head
    </button>
  );
}
