// A set of short poses: begun, and side by side.
import { queryOptions } from "@tanstack/react-query";
import type { components } from "../../generated/schema";
import { api } from "./client";

const { client, told } = api;

export type ShortPoses = components["schemas"]["ShortPoses"];
type Made = components["schemas"]["ShortPosesMade"];
type Blocks = components["schemas"]["ShortPosesBegun"]["blocks"];

export const beginShortPoses = (study: number, blocks: Blocks) =>
  told(
    client.POST("/api/v1/studies/{study_id}/short-poses", {
      params: { path: { study_id: study } },
      body: { blocks },
    }),
  ) as Promise<Made>;

export const shortPoses = (name: string) =>
  queryOptions({
    queryKey: ["short poses", name],
    queryFn: ({ signal }) =>
      told(
        client.GET("/api/v1/short-poses/{name}", { params: { path: { name } }, signal }),
      ) as Promise<ShortPoses>,
  });
