// What is wrong with a study file that could not be loaded, field by field.
import { Button } from "antd";
import type { Problem } from "../../api/types";
import styles from "./StudyWall.module.css";

export function ImportTrouble({ problem, onClose }: { problem: Problem; onClose: () => void }) {
  const problems = problem.problems?.length
    ? problem.problems
    : [{ field: problem.field ?? "", problem: problem.detail }];
  return (
    <section role="alert" className={styles.trouble}>
      <h2>This file can't be loaded. Nothing was changed.</h2>
      <ul>
        {problems.map((each) => (
          <li key={each.field + each.problem}>
            {each.field && <code>{each.field}</code>} {each.problem}
          </li>
        ))}
      </ul>
      <Button onClick={onClose}>All right</Button>
    </section>
  );
}
