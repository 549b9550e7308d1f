// One study in the query cache: reading it, changing it, and what to do when it changed elsewhere.
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback, useRef, useState } from "react";
import { ApiError, api, newToken } from "../api/client";
import { queries } from "../api/queries";
import type { Bench, Change } from "../api/types";

type Request = { kind: "change"; change: Change } | { kind: "undo" } | { kind: "redo" };
type Sent = Request & { version: number; token: string };

/** A change refused because the study was changed elsewhere, until the artist decides. */
type Refused = {
  request: Request;
  made: (bench: Bench) => void;
  given: (error: unknown) => void;
};

export type StudyHandle = ReturnType<typeof useStudy>;

const CONFLICT = 409;

export function useStudy(id: number) {
  const client = useQueryClient();
  const bench = useQuery(queries.bench(id));
  const [stale, setStale] = useState<Refused | null>(null);
  // Changes go one after the other, each based on what the one before led to.
  const queue = useRef<Promise<unknown>>(Promise.resolve());

  const keep = useCallback(
    (made: Bench) => {
      client.setQueryData(["bench", id], made);
      client.invalidateQueries({ queryKey: ["wall"] });
    },
    [client, id],
  );

  const mutation = useMutation({
    mutationFn: (sent: Sent) => {
      if (sent.kind === "change") {
        return api.change(id, sent.change, { version: sent.version, token: sent.token });
      }
      const based = { version: sent.version, token: sent.token };
      return sent.kind === "undo" ? api.undo(id, based) : api.redo(id, based);
    },
    // The same token: sending again after a lost answer changes nothing twice.
    retry: (count, error) => error instanceof ApiError && error.status === 0 && count < 2,
    retryDelay: 400,
    onSuccess: keep,
  });

  const send = useCallback(
    (request: Request): Promise<Bench> => {
      const version = client.getQueryData<Bench>(["bench", id])?.version ?? 1;
      return mutation.mutateAsync({ ...request, version, token: newToken() });
    },
    [client, id, mutation.mutateAsync],
  );

  const run = useCallback(
    (request: Request): Promise<Bench> => {
      const next = queue.current.then(async () => {
        try {
          return await send(request);
        } catch (error) {
          if (!(error instanceof ApiError && error.status === CONFLICT)) {
            throw error;
          }
          await client.refetchQueries({ queryKey: ["bench", id] });
          return await new Promise<Bench>((made, reject) =>
            setStale({ request, made, given: () => reject(error) }),
          );
        }
      });
      queue.current = next.catch(() => undefined);
      return next;
    },
    [client, id, send],
  );

  return {
    bench: bench.data,
    error: bench.error,
    again: () => void bench.refetch(),
    busy: mutation.isPending,
    stale,
    change: useCallback((change: Change) => run({ kind: "change", change }), [run]),
    undo: useCallback(() => run({ kind: "undo" }), [run]),
    redo: useCallback(() => run({ kind: "redo" }), [run]),
    /** Make the refused change on top of what is stored now. */
    insist: useCallback(async () => {
      if (stale) {
        const bench = await send(stale.request);
        setStale(null);
        stale.made(bench);
      }
    }, [send, stale]),
    giveWay: useCallback(() => {
      stale?.given(null);
      setStale(null);
    }, [stale]),
  };
}
