// The poses of a set side by side.
import { ShortPosesRoom } from "../../features/sitting";
import { useTitle } from "../../shared/useTitle";
import { Wordmark } from "../../shared/Wordmark";
import styles from "./pages.module.css";

export default function ShortPosesPage() {
  useTitle("Short poses");
  return (
    <>
      <header className={styles.header}>
        <Wordmark />
      </header>
      <ShortPosesRoom />
    </>
  );
}
