// What to do first, shown until it is sent away; on an empty wall it stays.
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Button } from "antd";
import { Link, useNavigate } from "react-router";
import { api } from "../../api/client";
import { Sign } from "../../shared/drawn";
import { useFirstVisit } from "../../shared/firstVisit";
import styles from "./StudyWall.module.css";

/** What a first visit is walked with: a few landmarks, and nothing that turns. */
const FIRST_SCENE = "wooden_mask";

export function FirstVisit({ empty }: { empty: boolean }) {
  const visit = useFirstVisit();
  const client = useQueryClient();
  const navigate = useNavigate();
  const begin = useMutation({
    mutationFn: () => api.beginFromScene(FIRST_SCENE),
    onSuccess: (bench) => {
      visit.walkWith(bench.id);
      client.setQueryData(["bench", bench.id], bench);
      client.invalidateQueries({ queryKey: ["wall"] });
      navigate(`/studies/${bench.id}`);
    },
  });
  if (visit.seen && !empty) {
    return null;
  }
  return (
    <section className={styles.first} aria-label="What to do first">
      <ol>
        <li>
          <Sign sign="station" />
          <span>
            <b>Sight something.</b> Zirkel holds the stick, you lay it on. Begin with the wooden
            mask: five minutes. Or <Link to="/scenes">Sight a scene</Link> of your choice.
          </span>
        </li>
        <li>
          <Sign sign="clock" />
          <span>
            <b>Answer what is asked.</b> Each reading says what it did: what it ties, what it
            proves, what it contradicts.
          </span>
        </li>
        <li>
          <Sign sign="edge" />
          <span>
            <b>Draw by it.</b> The recipe tells where each landmark goes on your own paper. Print it
            and draw.
          </span>
        </li>
      </ol>
      <div className={styles.firstActions}>
        <Button
          type="primary"
          size="large"
          loading={begin.isPending}
          onClick={() => begin.mutate()}
        >
          Begin with the mask
        </Button>
        {!empty && (
          <Button type="text" size="large" onClick={visit.leave}>
            I see
          </Button>
        )}
        {begin.error && <p role="alert">{begin.error.message}</p>}
      </div>
    </section>
  );
}
