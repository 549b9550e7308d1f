// The wall of studies.
import { Link } from "react-router";
import { StudyWall } from "../../features/wall";
import { ArtistChoice } from "../../shared/ArtistChoice";
import { useTitle } from "../../shared/useTitle";
import { Wordmark } from "../../shared/Wordmark";
import styles from "./pages.module.css";

export default function WallPage() {
  useTitle("Studies");
  return (
    <>
      <header className={styles.header}>
        <Wordmark />
        <div className={styles.who}>
          <Link to="/lessons">Lessons</Link>
          <Link to="/devices">Devices</Link>
          <ArtistChoice />
        </div>
      </header>
      <StudyWall />
    </>
  );
}
