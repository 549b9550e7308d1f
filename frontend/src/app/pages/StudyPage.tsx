// A room of a study: fetches it, shows its head, hands down how a change is made.
import { Button } from "antd";
import { Link, useParams, useSearchParams } from "react-router";
import { ApiError } from "../../api/client";
import type { Bench, Change } from "../../api/types";
import { Coming } from "../../shared/Coming";
import { NeedsFirst } from "../../shared/NeedsFirst";
import { StaleDialog } from "../../shared/StaleDialog";
import { StudyHeader } from "../../shared/StudyHeader";
import { STAGES, type Stage } from "../../shared/stages";
import { UnsentBar } from "../../shared/UnsentBar";
import { LiveContext, useLive } from "../../shared/useLive";
import { type StudyHandle, useStudy } from "../../shared/useStudy";
import { useTitle } from "../../shared/useTitle";
import { Wordmark } from "../../shared/Wordmark";
import styles from "./pages.module.css";
import frame from "./StudyPage.module.css";

type Room = {
  study: StudyHandle;
  bench: Bench;
  make: (change: Change) => Promise<string | null>;
};

/** `bare` leaves head and dialogs to the room itself. */
type Props = { stage: Stage; bare?: boolean; children: (room: Room) => React.ReactNode };

export function StudyPage({ stage, bare, children }: Props) {
  const id = Number(useParams().id);
  const [search] = useSearchParams();
  const live = useLive(id, search.get("easel") === "yes" ? "easel" : stage);
  const study = useStudy(id, live.heard);
  const { bench } = study;
  useTitle(bench?.title, STAGES.find((each) => each.key === stage)?.label ?? "Sitting");
  if (!bench) {
    return study.error ? (
      <div className={styles.lost}>
        <Wordmark />
        <p role="alert">{study.error.message}</p>
        <Button size="large" onClick={study.again}>
          Try again
        </Button>
        <Link to="/" className={styles.back}>
          Back to the wall
        </Link>
      </div>
    ) : (
      <>
        <header className={styles.header}>
          <Wordmark />
        </header>
        <main>
          <Coming what="Fetching the study…" />
        </main>
      </>
    );
  }
  const make = async (change: Change): Promise<string | null> => {
    try {
      await study.change(change);
      return null;
    } catch (error) {
      return error instanceof ApiError ? error.sentence : String(error);
    }
  };
  if (bare) {
    return (
      <LiveContext.Provider value={live}>
        <div className={frame.frame}>
          <UnsentBar study={study} bench={bench} />
          {children({ study, bench, make })}
        </div>
      </LiveContext.Provider>
    );
  }
  return (
    <LiveContext.Provider value={live}>
      <StudyHeader study={study} bench={bench} stage={stage} />
      <UnsentBar study={study} bench={bench} />
      <NeedsFirst bench={bench} />
      <main data-version={bench.version}>{children({ study, bench, make })}</main>
      <StaleDialog study={study} />
    </LiveContext.Provider>
  );
}
