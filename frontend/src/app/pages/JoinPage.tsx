// Joining a lesson by its link.
import { JoinRoom } from "../../features/lesson";
import { useTitle } from "../../shared/useTitle";
import { Wordmark } from "../../shared/Wordmark";
import styles from "./pages.module.css";

export default function JoinPage() {
  useTitle("Join the lesson");
  return (
    <>
      <header className={styles.header}>
        <Wordmark />
      </header>
      <JoinRoom />
    </>
  );
}
