// The wall's state: what hangs there, and what can be done with it.
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { api, newToken } from "../../api/client";
import { queries } from "../../api/queries";
import type { Bench, BrokenCard, Change, StudyCard } from "../../api/types";

export function useWall(onRemoved: (id: number) => void) {
  const client = useQueryClient();
  const navigate = useNavigate();
  const again = () => client.invalidateQueries({ queryKey: ["wall"] });
  const open = (bench: Bench) => {
    client.setQueryData(["bench", bench.id], bench);
    again();
    navigate(`/studies/${bench.id}`);
  };
  const load = useMutation({ mutationFn: (file: File) => api.importFile(file), onSuccess: open });
  const copy = useMutation({ mutationFn: (id: number) => api.copy(id), onSuccess: again });
  const back = useMutation({
    mutationFn: (card: BrokenCard) =>
      api.undo(card.id, { version: card.version, token: newToken() }),
    onSettled: again,
  });
  const remove = useMutation({
    mutationFn: ({ id, removed }: { id: number; removed: boolean }) => api.remove(id, removed),
    onSuccess: (_, { id, removed }) => {
      again();
      if (removed) {
        onRemoved(id);
      }
    },
  });
  const tell = useMutation({
    mutationFn: ({ card, change }: { card: StudyCard; change: Change }) =>
      api.change(card.id, change, { version: card.version, token: newToken() }),
    onSettled: (_, __, { card }) => {
      client.removeQueries({ queryKey: ["bench", card.id] });
      return again();
    },
  });
  const failed = [copy, back, remove, tell].find((each) => each.error)?.error ?? null;
  return { wall: useQuery(queries.wall()), load, copy, back, remove, tell, failed };
}
