// The schools side by side for this drawing and this hand: what each asks for, and how near it comes.
import { useQuery } from "@tanstack/react-query";
import { schoolsOf } from "../../api/schools";
import type { Bench } from "../../api/types";
import { Coming } from "../../shared/Coming";
import { SchoolSign } from "../../shared/drawn";
import { Said } from "../../shared/Said";
import styles from "./SchoolsBeside.module.css";

export function SchoolsBeside({
  bench,
  onLook,
}: {
  bench: Bench;
  onLook: (school: string) => void;
}) {
  const schools = useQuery(schoolsOf(bench));
  if (schools.error) {
    return <p role="alert">{schools.error.message}</p>;
  }
  if (!schools.data) {
    return <Coming what="Working it out by each school…" />;
  }
  return (
    <div className={styles.beside}>
      <p className={styles.note}>
        For this drawing and this hand: how far placing alone ends from the plan, on average and at
        worst. What the readings are off comes on top of it.
      </p>
      <ul className={styles.schools} aria-label="Schools">
        {schools.data.schools.map((each) => (
          <li key={each.name}>
            <button type="button" onClick={() => onLook(each.name)} aria-current={each.taken}>
              <SchoolSign school={each.name} />
              <span className={styles.name}>
                <b>{each.title.split(":")[0]}</b>
                {each.taken && <small>yours</small>}
              </span>
              <span>{each.moves} moves</span>
              <span>
                <Said text={each.within} />, at worst <Said text={each.worst} />
              </span>
              <span>{each.aids.length > 0 ? each.aids.join(", ") : "nothing but the eye"}</span>
              <span className={styles.first}>
                <Said text={each.first} />
              </span>
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}
