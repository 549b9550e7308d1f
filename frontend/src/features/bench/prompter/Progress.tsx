// How far the drawing is pinned down, at the foot of the prompter.
import type { Bench } from "../../../api/types";
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
  const tier = bench.tiers.find((each) => !each.sure) ?? bench.tiers[0];
  return (
    <footer className={styles.progress}>
      <p>
        {proven + held + doubt} of {bench.landmarks.length} held
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
      {tier && (
        <p className={styles.tier} data-sure={tier.sure}>
          {tier.said}
        </p>
      )}
      {bench.agreement && <p className={styles.agreement}>{bench.agreement}</p>}
    </footer>
  );
}
