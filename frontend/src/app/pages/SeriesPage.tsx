// Plans of work, from easy to hard.
import { SeriesRoom } from "../../features/practice";
import { useTitle } from "../../shared/useTitle";
import { Wordmark } from "../../shared/Wordmark";
import styles from "./pages.module.css";

export default function SeriesPage() {
  useTitle("Series");
  return (
    <>
      <header className={styles.header}>
        <Wordmark />
      </header>
      <SeriesRoom />
    </>
  );
}
