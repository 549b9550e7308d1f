// Choosing a scene to begin a study of.
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { api } from "../../api/client";
import { SceneGallery } from "../../features/scenes";
import { Wordmark } from "../../shared/Wordmark";
import styles from "./pages.module.css";

export default function ScenesPage() {
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
  return (
    <>
      <header className={styles.header}>
        <Wordmark />
      </header>
      <main>
        {begin.error && <p role="alert">{begin.error.message}</p>}
        <SceneGallery title="Sight a scene" onChoose={begin.mutate} busy={begin.isPending} />
      </main>
    </>
  );
}
