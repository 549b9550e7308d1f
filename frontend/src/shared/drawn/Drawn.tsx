// A small drawing in Zirkel's hand, with words for who can't see it.
import styles from "./Drawn.module.css";
import { EXERCISES } from "./exercises";
import { MORE_EXERCISES } from "./moreExercises";
import { HIGH, WIDE } from "./parts";
import { SCHOOLS } from "./schools";
import { FAULTS, SIGNS } from "./signs";

export function Sign({ sign }: { sign: string }) {
  const found = SIGNS[sign] ?? SIGNS.stick;
  return found ? <Paper said={found.said}>{found.drawn}</Paper> : null;
}

export function SchoolSign({ school }: { school: string }) {
  const found = SCHOOLS[school];
  return found ? <Paper said={found.said}>{found.drawn}</Paper> : null;
}

export function FaultSign({ fault, size }: { fault: string; size: number }) {
  const found = FAULTS[fault]?.(size);
  return found ? <Paper said={found.said}>{found.drawn}</Paper> : null;
}

export function ExerciseSign({ exercise }: { exercise: string }) {
  const found = EXERCISES[exercise] ?? MORE_EXERCISES[exercise];
  return found ? <Paper said={found.said}>{found.drawn}</Paper> : null;
}

function Paper({ said, children }: { said: string; children: React.ReactNode }) {
  return (
    <svg
      viewBox={`0 0 ${WIDE} ${HIGH}`}
      className={`on-paper ${styles.drawn}`}
      role="img"
      aria-label={said}
    >
      {children}
    </svg>
  );
}
