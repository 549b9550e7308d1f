// A real subject's truth by its photograph.
import { keepPreviousData, queryOptions } from "@tanstack/react-query";
import { api } from "./client";
import type { Bench, TruthShown } from "./types";

const { client, told } = api;

const asked = (id: number, signal: AbortSignal) =>
  told(
    client.GET("/api/v1/studies/{study_id}/truth", { params: { path: { study_id: id } }, signal }),
  ) as Promise<TruthShown>;

export const truthOf = ({ id, version }: Bench) =>
  queryOptions({
    queryKey: ["truth", id, version],
    queryFn: ({ signal }) => asked(id, signal),
    placeholderData: keepPreviousData,
  });

/** What photographs tell of the hand: asked once, whatever is read meanwhile. */
export const handRecordOf = ({ id }: Bench) =>
  queryOptions({
    queryKey: ["truth", id],
    queryFn: ({ signal }) => asked(id, signal),
    staleTime: Number.POSITIVE_INFINITY,
  });
