// A room of a study: fetches it, shows its head, hands down how a change is made.
import { Link, useParams } from "react-router";
import { ApiError } from "../../api/client";
import type { Bench, Change } from "../../api/types";
import { StaleDialog } from "../../shared/StaleDialog";
import { type Stage, StudyHeader } from "../../shared/StudyHeader";
import { useStudy } from "../../shared/useStudy";
import styles from "./pages.module.css";

type Room = { bench: Bench; make: (change: Change) => Promise<string | null> };

type Props = { stage: Stage; children: (room: Room) => React.ReactNode };

export function StudyPage({ stage, children }: Props) {
  const study = useStudy(Number(useParams().id));
  const { bench } = study;
  if (study.error) {
    return (
      <p role="alert" className={styles.lost}>
        {study.error.message} <Link to="/">Back to the wall</Link>
      </p>
    );
  }
  if (!bench) {
    return <p role="status">Fetching the study…</p>;
  }
  const make = async (change: Change): Promise<string | null> => {
    try {
      await study.change(change);
      return null;
    } catch (error) {
      return error instanceof ApiError ? error.sentence : String(error);
    }
  };
  return (
    <>
      <StudyHeader study={study} bench={bench} stage={stage} />
      <main data-version={bench.version}>{children({ bench, make })}</main>
      <StaleDialog study={study} />
    </>
  );
}
