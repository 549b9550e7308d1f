// The recipe by every school, side by side.
import { queryOptions } from "@tanstack/react-query";
import { api } from "./client";
import type { Bench, SchoolsBeside } from "./types";

const { client, told } = api;

export const schoolsOf = ({ id, version }: Bench) =>
  queryOptions({
    queryKey: ["schools", id, version],
    queryFn: ({ signal }) =>
      told(
        client.GET("/api/v1/studies/{study_id}/schools", {
          params: { path: { study_id: id }, query: { version } },
          signal,
        }),
      ) as Promise<SchoolsBeside>,
  });
