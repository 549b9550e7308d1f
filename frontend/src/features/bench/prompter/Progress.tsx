// How far the drawing is pinned down, at the foot of the prompter.
import type { Bench } from "../../../api/types";
import { Said } from "../../../shared/Said";
import styles from "./Prompter.module.css";

export function Progress({ bench }: { bench: Bench }) {
  const count = (standing: string) =>
    bench.landmarks.filter((each) => each.standing === standing).length;
  const total = bench.landmarks.length || 1;
  const [proven, held, doubt] = [count("proven"), count("held"), count("doubt")];
  const shares: [string, number][] = [
    ["proven", proven],
    ["held", held],
    ["doubt", doubt],
  ];
  const surest = bench.sheet.said_surest;
  return (
    <footer className={styles.progress}>
      <p>
        {proven + held + doubt} of {bench.landmarks.length} held
        {surest === null ? (
          ""
        ) : (
          <span>
            within <Said text={surest} />
          </span>
        )}
      </p>
      <div
        className={styles.bar}
        role="img"
        aria-label={`${proven} proven, ${held} held but unchecked, ${doubt} in doubt, ${count("loose")} loose`}
      >
        {shares.map(([name, n]) => (
          <i key={name} data-standing={name} style={{ width: `${(100 * n) / total}%` }} />
        ))}
      </div>
      <p className={styles.key}>
        <span data-standing="proven">{proven} proven</span>
        <span data-standing="held">{held} unchecked</span>
        {doubt > 0 && <span data-standing="doubt">{doubt} in doubt</span>}
        {count("loose") > 0 && <span data-standing="loose">{count("loose")} loose</span>}
      </p>
      {bench.agreement && <p className={styles.agreement}>{bench.agreement}</p>}
    </footer>
  );
}
