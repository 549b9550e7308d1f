// One study in the query cache: reading it, changing it, and what to do when it changed elsewhere.
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback, useRef, useState } from "react";
import { ApiError, api, newToken } from "../api/client";
import { queries } from "../api/queries";
import type { Bench, Change } from "../api/types";
import { useUnsent } from "./useUnsent";

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

/** The study as it was, saying of the change that it waits. */
function laidAside(bench: Bench): Bench {
  return {
    ...bench,
    did: { text: "Kept here: it goes in as soon as Zirkel answers again.", bad: false },
  } as Bench;
}

export function useStudy(id: number, heard: boolean) {
  const client = useQueryClient();
  const { unsent, wait, leaveOut } = useUnsent(id, heard);
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

  // What comes after an entry that waits, waits behind it.
  const waits = useRef(false);
  waits.current = unsent.some((each) => !each.trouble);

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
    (request: Request, token: string): Promise<Bench> => {
      const version = client.getQueryData<Bench>(["bench", id])?.version ?? 1;
      return mutation.mutateAsync({ ...request, version, token });
    },
    [client, id, mutation.mutateAsync],
  );

  const run = useCallback(
    (request: Request): Promise<Bench> => {
      const token = newToken();
      const next = queue.current.then(async () => {
        const bench = client.getQueryData<Bench>(["bench", id]);
        try {
          if (waits.current && request.kind === "change" && bench) {
            wait(request.change, token);
            return laidAside(bench);
          }
          return await send(request, token);
        } catch (error) {
          const unanswered = error instanceof ApiError && error.status === 0;
          if (unanswered && request.kind === "change" && bench) {
            wait(request.change, token);
            return laidAside(bench);
          }
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
    [client, id, send, wait],
  );

  return {
    bench: bench.data,
    error: bench.error,
    again: () => void bench.refetch(),
    busy: mutation.isPending,
    /** What could not be sent yet, or was not taken when it was. */
    unsent,
    leaveOut,
    stale,
    change: useCallback((change: Change) => run({ kind: "change", change }), [run]),
    undo: useCallback(() => run({ kind: "undo" }), [run]),
    redo: useCallback(() => run({ kind: "redo" }), [run]),
    /** Make the refused change on top of what is stored now. */
    insist: useCallback(async () => {
      if (stale) {
        const bench = await send(stale.request, newToken());
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
