// A set of short poses: the way on to the next one, and all side by side afterwards.
import { useQuery } from "@tanstack/react-query";
import { Link, Navigate, useParams } from "react-router";
import { type ShortPoses, shortPoses } from "../../api/shortPoses";
import { CardPicture } from "../../shared/CardPicture";
import { Said } from "../../shared/Said";
import styles from "./ShortPoses.module.css";

export function ShortPosesRoom() {
  const { name = "", pose } = useParams();
  const { data, error } = useQuery(shortPoses(name));
  if (error) {
    return <p role="alert">{error.message}</p>;
  }
  if (!data) {
    return null;
  }
  const next = data.poses.find((each) => String(each.pose) === pose);
  if (next) {
    return <Navigate to={`/studies/${next.card.id}?easel=yes`} replace />;
  }
  return (
    <main className={styles.room}>
      <h1>{data.title}</h1>
      <ol className={styles.poses}>
        {data.poses.map((each) => (
          <Pose key={each.pose} shown={each} />
        ))}
      </ol>
      <h2>What they have in common</h2>
      {data.common.length === 0 && (
        <p>Nothing was read in three of them yet. The same box in each shows most.</p>
      )}
      <ul className={styles.common}>
        {data.common.map((each) => (
          <li key={each}>
            <Said text={each} />
          </li>
        ))}
      </ul>
    </main>
  );
}

function Pose({ shown }: { shown: ShortPoses["poses"][number] }) {
  const { card, pose, minutes, photograph } = shown;
  return (
    <li data-pose={pose}>
      <Link to={`/studies/${card.id}`}>
        {photograph ? (
          <img src={`/api/v1/pictures/${photograph}/view?longest=480`} alt="" />
        ) : (
          <CardPicture card={card} />
        )}
        <b>Pose {pose}</b>
      </Link>
      <span>
        {minutes} min, {card.readings} {card.readings === 1 ? "reading" : "readings"}
      </span>
    </li>
  );
}
