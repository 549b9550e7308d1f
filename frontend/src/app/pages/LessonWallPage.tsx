// The wall of results of a lesson.
import { LessonWall } from "../../features/lesson";
import { useTitle } from "../../shared/useTitle";
import { Wordmark } from "../../shared/Wordmark";
import styles from "./pages.module.css";

export default function LessonWallPage() {
  useTitle("Lesson");
  return (
    <>
      <header className={styles.header}>
        <Wordmark />
      </header>
      <LessonWall />
    </>
  );
}
