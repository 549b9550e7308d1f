// Choosing a scene to begin a study of.
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { api } from "../../api/client";
import type { PictureTaken, StudyFile } from "../../api/types";
import { SceneGallery } from "../../features/subject";
import { PictureUpload } from "../../shared/PictureUpload";
import { useTitle } from "../../shared/useTitle";
import { Wordmark } from "../../shared/Wordmark";
import styles from "./pages.module.css";

export default function ScenesPage() {
  useTitle("Scenes");
  const client = useQueryClient();
  const navigate = useNavigate();
  const begin = useMutation({
    mutationFn: api.beginFromScene,
    onSuccess: (bench) => {
      client.setQueryData(["bench", bench.id], bench);
      client.invalidateQueries({ queryKey: ["wall"] });
      navigate(`/studies/${bench.id}`);
    },
  });
  const lay = useMutation({
    mutationFn: (taken: PictureTaken) =>
      api.make({
        title: "From a picture",
        subject: { picture: taken.picture, width: taken.width, height: taken.height },
      } as StudyFile),
    onSuccess: (bench) => {
      client.invalidateQueries({ queryKey: ["wall"] });
      navigate(`/studies/${bench.id}/subject`);
    },
  });
  return (
    <>
      <header className={styles.header}>
        <Wordmark />
      </header>
      <main>
        {(begin.error ?? lay.error) && <p role="alert">{(begin.error ?? lay.error)?.message}</p>}
        <SceneGallery title="Sight a scene" onChoose={begin.mutate} busy={begin.isPending}>
          <PictureUpload label="Or take a picture" onTaken={lay.mutate} />
        </SceneGallery>
      </main>
    </>
  );
}
