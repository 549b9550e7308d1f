// The subject of a study: the station before a scene, a picture, or the choice of what to sight.
import { Button } from "antd";
import { Link, useSearchParams } from "react-router";
import type { Bench, Change, PictureTaken } from "../../api/types";
import { LiveStation, PictureRoom, StationRoom, TruthRoom } from "../../features/subject";
import { PictureUpload } from "../../shared/PictureUpload";
import styles from "./pages.module.css";
import { StudyPage } from "./StudyPage";

export default function SubjectPage() {
  return (
    <StudyPage stage="subject">
      {({ bench, make }) => <Subject bench={bench} make={make} />}
    </StudyPage>
  );
}

type Props = { bench: Bench; make: (change: Change) => Promise<string | null> };

function Subject({ bench, make }: Props) {
  const take = (taken: PictureTaken) =>
    make({
      type: "set_subject",
      subject: { picture: taken.picture, width: taken.width, height: taken.height },
    });
  const picture = bench.subject.picture;
  const [search, setSearch] = useSearchParams();
  if (search.has("truth")) {
    return <TruthRoom bench={bench} make={make} onLeave={() => setSearch({})} />;
  }
  return (
    <>
      {bench.subject.kind === "scene" && <StationRoom bench={bench} make={make} />}
      {picture && <PictureRoom bench={bench} picture={picture} make={make} />}
      {bench.subject.kind === "thumbnail" && !picture && (
        <section className={styles.choice}>
          <h1>What do you sight?</h1>
          <p>
            {bench.subject.missing ??
              "A live subject stands before you: nothing has to be entered, and the rough thumbnail stands for it on the bench. A photograph or a print can be laid under the stick instead."}
          </p>
          <PictureUpload label="Lay a picture under the stick" primary onTaken={take} />
          <p>
            Nothing at hand? <Link to="/scenes">Begin a study of a scene</Link> that ships with
            Zirkel.
          </p>
          {!bench.subject.missing && <LiveStation />}
          {bench.readings.length > 0 && (
            <p>
              Done with sighting? <Link to="?truth">How near you came, by a photograph</Link> from
              where your eye was.
            </p>
          )}
        </section>
      )}
      {picture && (
        <p className={styles.aside}>
          <Button type="text" onClick={() => make({ type: "set_subject", subject: null })}>
            Take the picture away
          </Button>
        </p>
      )}
    </>
  );
}
