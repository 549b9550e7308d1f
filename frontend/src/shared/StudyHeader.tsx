// The head of every room of a study: its title, the rooms in the order of work, undo and redo.
import { Button } from "antd";
import { Link } from "react-router";
import type { Bench } from "../api/types";
import { HelpButton } from "./HelpButton";
import { Others } from "./Others";
import { SittingChip } from "./SittingChip";
import styles from "./StudyHeader.module.css";
import { STAGES, type Stage } from "./stages";
import { TaskChip } from "./TaskChip";
import type { StudyHandle } from "./useStudy";
import { Wordmark } from "./Wordmark";

type Props = {
  study: StudyHandle;
  bench: Bench;
  stage: Stage;
  onUndo?: () => void;
  onRedo?: () => void;
  children?: React.ReactNode;
};

export function StudyHeader({ study, bench, stage, onUndo, onRedo, children }: Props) {
  const quietly = (made: Promise<unknown>) => made.catch(() => undefined);
  return (
    <header className={styles.header}>
      <Wordmark />
      <h1 className={styles.title}>{bench.title}</h1>
      <Others />
      <nav className={styles.stages} aria-label="Rooms of this study">
        {STAGES.map((each) => (
          <Link
            key={each.key}
            to={`/studies/${bench.id}${each.path}`}
            aria-current={each.key === stage ? "page" : undefined}
          >
            {each.label}
          </Link>
        ))}
        <SittingChip bench={bench} here={stage === "sitting"} />
        <TaskChip study={study} bench={bench} />
      </nav>
      <div className={styles.tools}>
        <Button
          onClick={onUndo ?? (() => quietly(study.undo()))}
          disabled={!bench.undo}
          title={bench.undo ?? "Nothing to undo"}
        >
          Undo
        </Button>
        <Button
          onClick={onRedo ?? (() => quietly(study.redo()))}
          disabled={!bench.redo}
          title={bench.redo ?? "Nothing to redo"}
        >
          Redo
        </Button>
        {children}
        <HelpButton />
      </div>
    </header>
  );
}
