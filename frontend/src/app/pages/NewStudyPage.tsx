// Setting up a new study.
import { NewStudy } from "../../features/newStudy";
import { useTitle } from "../../shared/useTitle";
import { Wordmark } from "../../shared/Wordmark";
import styles from "./pages.module.css";

export default function NewStudyPage() {
  useTitle("New study");
  return (
    <>
      <header className={styles.header}>
        <Wordmark />
        <h1 className={styles.title}>New study</h1>
      </header>
      <NewStudy />
    </>
  );
}
