// The wall of studies.
import { useQuery } from "@tanstack/react-query";
import { Link, Navigate } from "react-router";
import { queries } from "../../api/queries";
import { StudyWall } from "../../features/wall";
import { ArtistChoice } from "../../shared/ArtistChoice";
import { useTitle } from "../../shared/useTitle";
import { Wordmark } from "../../shared/Wordmark";
import styles from "./pages.module.css";

export default function WallPage() {
  useTitle("Studies");
  const { data: door } = useQuery(queries.door());
  if (door?.lesson) {
    return <Navigate to={`/lessons/${door.lesson}`} replace />;
  }
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
