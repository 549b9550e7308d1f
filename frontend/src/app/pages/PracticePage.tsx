// The eye's practice: what to do today, and the record.
import { PracticeRoom } from "../../features/practice";
import { useTitle } from "../../shared/useTitle";
import { Wordmark } from "../../shared/Wordmark";
import styles from "./pages.module.css";

export default function PracticePage() {
  useTitle("Practice");
  return (
    <>
      <header className={styles.header}>
        <Wordmark />
      </header>
      <PracticeRoom />
    </>
  );
}
