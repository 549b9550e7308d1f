// A scene for a class, and the lessons so far.
import { LessonsRoom } from "../../features/lesson";
import { useTitle } from "../../shared/useTitle";
import { Wordmark } from "../../shared/Wordmark";
import styles from "./pages.module.css";

export default function LessonsPage() {
  useTitle("Lessons");
  return (
    <>
      <header className={styles.header}>
        <Wordmark />
      </header>
      <LessonsRoom />
    </>
  );
}
