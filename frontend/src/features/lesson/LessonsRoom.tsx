// Lessons: a scene is given to a class here, and each lesson's link and wall are found again.
import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { queries } from "../../api/queries";
import { Give } from "./Give";
import styles from "./Lesson.module.css";

export function LessonsRoom() {
  const { data, error } = useQuery(queries.lessons());
  if (error) {
    return <p role="alert">{error.message}</p>;
  }
  if (!data) {
    return null;
  }
  return (
    <main className={styles.room}>
      <h1>Lessons</h1>
      <p className={styles.lead}>
        The same scene for everybody in the room. Each joins by a link under their own name, sights
        and draws; the wall shows how near each came, and what is common.
      </p>
      <Give data={data} />
      {data.lessons.length > 0 && (
        <ul className={styles.list} aria-label="Lessons so far">
          {data.lessons.map((each) => (
            <li key={each.id}>
              <Link to={`/lessons/${each.id}/wall`}>
                <b>{each.title}</b>
              </Link>
              <span>
                {each.scene}, {each.pupils === 1 ? "one pupil" : `${each.pupils} pupils`}
                {each.closed ? ", closed" : ""}
              </span>
            </li>
          ))}
        </ul>
      )}
    </main>
  );
}
