// The wall of studies.
import { StudyWall } from "../../features/wall";
import { Wordmark } from "../../shared/Wordmark";
import styles from "./pages.module.css";

export default function WallPage() {
  return (
    <>
      <header className={styles.header}>
        <Wordmark />
      </header>
      <StudyWall />
    </>
  );
}
