// One study in the query cache: reading it, changing it, and what to do when it changed elsewhere.
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback, useRef, useState } from "react";
import { ApiError, api, newToken } from "../api/client";
import type { Bench, Change } from "../api/types";

type Request = { kind: "change"; change: Change } | { kind: "undo" } | { kind: "redo" };
type Sent = Request & { version: number; token: string };

export type StudyHandle = ReturnType<typeof useStudy>;

const CONFLICT = 409;
/** The drawing is painted first; what to sight next is asked after. */
const AFTER_PAINT_MS = 80;

export function useStudy(id: number) {
  const client = useQueryClient();
  const bench = useQuery({ queryKey: ["bench", id], queryFn: () => api.bench(id) });
  const prompts = useQuery({ queryKey: ["prompts", id], queryFn: () => api.prompts(id) });
  const relations = useQuery({ queryKey: ["relations", id], queryFn: () => api.relations(id) });
  const [stale, setStale] = useState<Request | null>(null);
  // Changes go one after the other, each based on what the one before led to.
  const queue = useRef<Promise<unknown>>(Promise.resolve());

  const keep = useCallback(
    (made: Bench) => {
      client.setQueryData(["bench", id], made);
      window.setTimeout(() => {
        for (const what of ["prompts", "relations", "trust"]) {
          client.invalidateQueries({ queryKey: [what, id] });
        }
        client.invalidateQueries({ queryKey: ["wall"] });
      }, AFTER_PAINT_MS);
    },
    [client, id],
  );

  const mutation = useMutation({
    mutationFn: (sent: Sent) => {
      if (sent.kind === "change") {
        return api.change(id, sent.version, sent.change, sent.token);
      }
      return sent.kind === "undo"
        ? api.undo(id, sent.version, sent.token)
        : api.redo(id, sent.version, sent.token);
    },
    // The same token: sending again after a lost answer changes nothing twice.
    retry: (count, error) => error instanceof ApiError && error.status === 0 && count < 2,
    retryDelay: 400,
    onSuccess: keep,
  });

  const run = useCallback(
    (request: Request): Promise<Bench> => {
      const next = queue.current.then(async () => {
        const version = client.getQueryData<Bench>(["bench", id])?.version ?? 1;
        try {
          return await mutation.mutateAsync({ ...request, version, token: newToken() });
        } catch (error) {
          if (error instanceof ApiError && error.status === CONFLICT) {
            setStale(request);
            await client.refetchQueries({ queryKey: ["bench", id] });
          }
          throw error;
        }
      });
      queue.current = next.catch(() => undefined);
      return next;
    },
    [client, id, mutation.mutateAsync],
  );

  return {
    bench: bench.data,
    error: bench.error,
    prompts: prompts.data,
    relations: relations.data,
    busy: mutation.isPending,
    stale,
    change: useCallback((change: Change) => run({ kind: "change", change }), [run]),
    undo: useCallback(() => run({ kind: "undo" }), [run]),
    redo: useCallback(() => run({ kind: "redo" }), [run]),
    /** Make the refused change on top of what is stored now. */
    insist: useCallback(() => {
      const request = stale;
      setStale(null);
      return request ? run(request) : Promise.resolve(undefined);
    }, [run, stale]),
    giveWay: useCallback(() => setStale(null), []),
  };
}
