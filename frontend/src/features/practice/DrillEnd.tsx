// After a drill: what the record says now.
import { useQuery } from "@tanstack/react-query";
import { Button } from "antd";
import { Link } from "react-router";
import { queries } from "../../api/queries";
import buttons from "../../shared/LinkButton.module.css";
import { useArtist } from "../../shared/useArtist";
import styles from "./Drill.module.css";
import { Plot } from "./Plot";

type Props = { parts: readonly { exercise: string; trials: number }[]; onAgain: () => void };

export function DrillEnd({ parts, onAgain }: Props) {
  const room = useQuery(queries.practice(useArtist()));
  const practised = room.data?.exercises.filter((each) =>
    parts.some((part) => part.exercise === each.name),
  );
  return (
    <main className={styles.end}>
      <h1>Done for today</h1>
      <p>
        All answers are in your record. Look far away for a while: eyes tire sooner than they say.
      </p>
      {practised?.map((each) => (
        <section key={each.name}>
          <h2>{each.title}</h2>
          {each.lines.map((line) => (
            <div key={line.name} className={styles.now}>
              <div>
                {each.lines.length > 1 && <h3>{line.title}</h3>}
                <p>{line.lean}</p>
                <p>{line.spread}</p>
              </div>
              <Plot line={line} />
            </div>
          ))}
        </section>
      ))}
      <div className={styles.actions}>
        <Link to="/practice" className={buttons.plain}>
          Back to Practice
        </Link>
        <Button size="large" onClick={onAgain}>
          Once more
        </Button>
      </div>
    </main>
  );
}
