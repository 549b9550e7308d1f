// The subject of a study: the station before a scene, a picture, or the choice of what to sight.
import { Button } from "antd";
import { Link, useParams } from "react-router";
import { ApiError } from "../../api/client";
import type { Bench, Change, PictureTaken } from "../../api/types";
import { PictureRoom, PictureUpload } from "../../features/picture";
import { LiveStation, StationRoom } from "../../features/station";
import { StaleDialog } from "../../shared/StaleDialog";
import { StudyHeader } from "../../shared/StudyHeader";
import { type StudyHandle, useStudy } from "../../shared/useStudy";
import styles from "./pages.module.css";

export default function SubjectPage() {
  const study = useStudy(Number(useParams().id));
  if (study.error) {
    return (
      <p role="alert" className={styles.lost}>
        {study.error.message} <Link to="/">Back to the wall</Link>
      </p>
    );
  }
  return study.bench ? (
    <Subject study={study} bench={study.bench} />
  ) : (
    <p role="status">Fetching the study…</p>
  );
}

function Subject({ study, bench }: { study: StudyHandle; bench: Bench }) {
  const make = async (change: Change): Promise<string | null> => {
    try {
      await study.change(change);
      return null;
    } catch (error) {
      return error instanceof ApiError ? error.sentence : String(error);
    }
  };
  const take = (taken: PictureTaken) =>
    make({
      type: "set_subject",
      subject: { picture: taken.picture, width: taken.width, height: taken.height },
    });
  const picture = bench.subject.picture;
  return (
    <>
      <StudyHeader study={study} bench={bench} stage="subject" />
      <main data-version={bench.version}>
        {bench.subject.kind === "scene" && <StationRoom bench={bench} make={make} />}
        {picture && <PictureRoom bench={bench} picture={picture} make={make} />}
        {bench.subject.kind === "thumbnail" && !picture && (
          <section className={styles.choice}>
            <h1>What do you sight?</h1>
            <p>
              {bench.subject.missing ??
                "A live subject needs nothing here: it stands before you, and the rough thumbnail stands for it on the bench. A photograph or a print can be laid under the stick instead."}
            </p>
            <PictureUpload label="Lay a picture under the stick" primary onTaken={take} />
            <p>
              Nothing at hand? <Link to="/scenes">Begin a study of a scene</Link> that ships with
              Zirkel.
            </p>
            {!bench.subject.missing && <LiveStation />}
          </section>
        )}
        {picture && (
          <p className={styles.aside}>
            <Button type="text" onClick={() => make({ type: "set_subject", subject: null })}>
              Take the picture away
            </Button>
          </p>
        )}
      </main>
      <StaleDialog study={study} />
    </>
  );
}
