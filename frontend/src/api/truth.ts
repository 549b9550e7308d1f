// A real subject's truth by its photograph.
import { keepPreviousData, queryOptions } from "@tanstack/react-query";
import { api } from "./client";
import type { Bench, TruthShown } from "./types";

const { client, told } = api;

export const truthOf = ({ id, version }: Bench) =>
  queryOptions({
    queryKey: ["truth", id, version],
    queryFn: ({ signal }) =>
      told(
        client.GET("/api/v1/studies/{study_id}/truth", {
          params: { path: { study_id: id } },
          signal,
        }),
      ) as Promise<TruthShown>,
    placeholderData: keepPreviousData,
  });
