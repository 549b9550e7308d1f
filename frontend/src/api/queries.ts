// What is asked of the server, one entry a view, of the version it is wanted for; else given up.
import { keepPreviousData, queryOptions } from "@tanstack/react-query";
import { whileAway, whileBusy } from "./asking";
import { api } from "./client";
import type {
  Artist,
  Bench,
  CheckRoom,
  DoorShown,
  DrawnTones,
  HeadsRoom,
  Kits,
  LessonList,
  LessonShown,
  LessonWall,
  OwnEye,
  PadKinds,
  PerspectiveRoom,
  PracticeRoom,
  Prompts,
  RecipeRoom,
  Relations,
  RoomFrame,
  SeriesRoom,
  SheetRoom,
  SittingRoom,
  Station,
  StationRoom,
  Strokes,
  ToneRoom,
  Wall,
} from "./types";

const { client, told } = api;
const MINUTE = 60_000;
type Seen = { id: number; version: number };
const of = (study_id: number) => ({ path: { study_id } });
const wanted = ({ id, version }: Seen, school?: string) =>
  ({ path: { study_id: id }, query: { version, ...(school && { school }) } }) as const;

export const queries = {
  wall: () =>
    queryOptions({
      queryKey: ["wall"],
      queryFn: ({ signal }) => told(client.GET("/api/v1/studies", { signal })) as Promise<Wall>,
      // Cards that were never worked out come bit by bit.
      refetchInterval: (query) =>
        query.state.data?.studies.some((each) => each.pending) ? 300 : whileAway(query),
    }),
  door: () =>
    queryOptions({
      queryKey: ["door"],
      queryFn: ({ signal }) => told(client.GET("/api/v1/door", { signal })) as Promise<DoorShown>,
      retry: whileBusy,
    }),
  lessons: () =>
    queryOptions({
      queryKey: ["lessons"],
      queryFn: ({ signal }) =>
        told(client.GET("/api/v1/lessons", { signal })) as Promise<LessonList>,
    }),
  lesson: (lesson: string) =>
    queryOptions({
      queryKey: ["lesson", lesson],
      queryFn: ({ signal }) =>
        told(
          client.GET("/api/v1/lessons/{lesson}", { params: { path: { lesson } }, signal }),
        ) as Promise<LessonShown>,
      retry: whileBusy,
    }),
  lessonWall: (lesson: string) =>
    queryOptions({
      queryKey: ["lesson wall", lesson],
      queryFn: ({ signal }) =>
        told(
          client.GET("/api/v1/lessons/{lesson}/wall", { params: { path: { lesson } }, signal }),
        ) as Promise<LessonWall>,
      refetchInterval: 4000,
      retry: whileBusy,
    }),
  qr: (path: string) =>
    queryOptions({
      queryKey: ["qr", path],
      queryFn: ({ signal }) =>
        told(client.GET("/api/v1/door/qr", { params: { query: { path } }, signal })),
      retry: whileBusy,
    }),
  scenes: () =>
    queryOptions({
      queryKey: ["scenes"],
      queryFn: ({ signal }) => told(client.GET("/api/v1/scenes", { signal })),
      staleTime: MINUTE,
    }),
  kits: () =>
    queryOptions({
      queryKey: ["kits"],
      queryFn: ({ signal }) => told(client.GET("/api/v1/kits", { signal })) as Promise<Kits>,
      staleTime: MINUTE,
    }),
  practice: (artist: string | null) =>
    queryOptions({
      queryKey: ["practice", artist],
      queryFn: ({ signal }) =>
        told(
          client.GET("/api/v1/practice", { params: { query: { artist } }, signal }),
        ) as Promise<PracticeRoom>,
    }),
  ownEye: (artist: string | null) =>
    queryOptions({
      queryKey: ["own eye", artist],
      queryFn: ({ signal }) =>
        told(
          client.GET("/api/v1/practice/eye", { params: { query: { artist } }, signal }),
        ) as Promise<OwnEye>,
      staleTime: MINUTE,
      retry: whileBusy,
    }),
  artists: () =>
    queryOptions({
      queryKey: ["artists"],
      queryFn: ({ signal }) =>
        told(client.GET("/api/v1/artists", { signal })) as Promise<{ artists: Artist[] }>,
    }),
  sitting: (seen: Seen, minutes: number, poses: string | null) =>
    queryOptions({
      queryKey: ["sitting", seen.id, seen.version, minutes, poses],
      queryFn: ({ signal }) =>
        told(
          client.GET("/api/v1/studies/{study_id}/sitting", {
            params: { ...of(seen.id), query: { version: seen.version, minutes, poses } },
            signal,
          }),
        ) as Promise<SittingRoom>,
      placeholderData: keepPreviousData,
      retry: whileBusy,
    }),
  series: () =>
    queryOptions({
      queryKey: ["series"],
      queryFn: ({ signal }) =>
        told(client.GET("/api/v1/series", { signal })) as Promise<SeriesRoom>,
    }),
  pad: () =>
    queryOptions({
      queryKey: ["pad"],
      queryFn: ({ signal }) => told(client.GET("/api/v1/pad", { signal })) as Promise<PadKinds>,
      staleTime: Number.POSITIVE_INFINITY,
    }),
  bench: (id: number) =>
    queryOptions({
      queryKey: ["bench", id],
      queryFn: ({ signal }) =>
        told(
          client.GET("/api/v1/studies/{study_id}", { params: of(id), signal }),
        ) as Promise<Bench>,
    }),
  prompts: (seen: Seen) =>
    queryOptions({
      queryKey: ["prompts", seen.id, seen.version],
      queryFn: ({ signal }) =>
        told(
          client.GET("/api/v1/studies/{study_id}/prompts", { params: wanted(seen), signal }),
        ) as Promise<Prompts>,
      placeholderData: keepPreviousData,
      retry: whileBusy,
    }),
  relations: (seen: Seen) =>
    queryOptions({
      queryKey: ["relations", seen.id, seen.version],
      queryFn: ({ signal }) =>
        told(
          client.GET("/api/v1/studies/{study_id}/relations", { params: wanted(seen), signal }),
        ) as Promise<Relations>,
      placeholderData: keepPreviousData,
      retry: whileBusy,
    }),
  trust: (seen: Seen) =>
    queryOptions({
      queryKey: ["trust", seen.id, seen.version],
      queryFn: ({ signal }) =>
        told(client.GET("/api/v1/studies/{study_id}/trust", { params: wanted(seen), signal })),
      placeholderData: keepPreviousData,
      retry: whileBusy,
    }),
  reveal: (seen: Seen) =>
    queryOptions({
      queryKey: ["reveal", seen.id, seen.version],
      queryFn: ({ signal }) =>
        told(client.GET("/api/v1/studies/{study_id}/reveal", { params: of(seen.id), signal })),
      placeholderData: keepPreviousData,
      retry: whileBusy,
    }),
  recipe: (seen: Seen, school?: string) =>
    queryOptions({
      queryKey: ["recipe", seen.id, seen.version, school],
      queryFn: ({ signal }) =>
        told(
          client.GET("/api/v1/studies/{study_id}/recipe", { params: wanted(seen, school), signal }),
        ) as Promise<RecipeRoom>,
    }),
  perspective: (seen: Seen) =>
    queryOptions({
      queryKey: ["perspective", seen.id, seen.version],
      queryFn: ({ signal }) =>
        told(
          client.GET("/api/v1/studies/{study_id}/perspective", { params: wanted(seen), signal }),
        ) as Promise<PerspectiveRoom>,
      placeholderData: keepPreviousData,
      retry: whileBusy,
    }),
  tones: (seen: Seen, groups: number) =>
    queryOptions({
      queryKey: ["tones", seen.id, seen.version, groups],
      queryFn: ({ signal }) =>
        told(
          client.GET("/api/v1/studies/{study_id}/tones", {
            params: { ...of(seen.id), query: { version: seen.version, groups } },
            signal,
          }),
        ) as Promise<ToneRoom>,
      placeholderData: keepPreviousData,
    }),
  drawnTones: (seen: Seen) =>
    queryOptions({
      queryKey: ["drawn tones", seen.id, seen.version],
      queryFn: ({ signal }) =>
        told(
          client.GET("/api/v1/studies/{study_id}/tones/drawn", { params: wanted(seen), signal }),
        ) as Promise<DrawnTones>,
      retry: whileBusy,
    }),
  heads: (seen: Seen) =>
    queryOptions({
      queryKey: ["heads", seen.id, seen.version],
      queryFn: ({ signal }) =>
        told(
          client.GET("/api/v1/studies/{study_id}/heads", { params: wanted(seen), signal }),
        ) as Promise<HeadsRoom>,
      placeholderData: keepPreviousData,
    }),
  check: (seen: Seen) =>
    queryOptions({
      queryKey: ["check", seen.id, seen.version],
      queryFn: ({ signal }) =>
        told(
          client.GET("/api/v1/studies/{study_id}/check", { params: wanted(seen), signal }),
        ) as Promise<CheckRoom>,
      placeholderData: keepPreviousData,
    }),
  papers: (id: number) =>
    queryOptions({
      queryKey: ["papers", id],
      queryFn: ({ signal }) =>
        told(client.GET("/api/v1/studies/{study_id}/take", { params: of(id), signal })),
    }),
  frame: (seen: Seen, frame: RoomFrame | null) =>
    queryOptions({
      queryKey: ["frame", seen.id, seen.version, frame],
      queryFn: ({ signal }) =>
        told(
          client.POST("/api/v1/studies/{study_id}/sheet", {
            params: of(seen.id),
            body: { frame },
            signal,
          }),
        ) as Promise<SheetRoom>,
      placeholderData: keepPreviousData,
      staleTime: MINUTE,
    }),
  station: (seen: Seen, station: Station | null) =>
    queryOptions({
      queryKey: ["station", seen.id, seen.version, station],
      queryFn: ({ signal }) =>
        told(
          client.POST("/api/v1/studies/{study_id}/station", {
            params: of(seen.id),
            body: { station },
            signal,
          }),
        ) as Promise<StationRoom>,
      placeholderData: keepPreviousData,
      staleTime: MINUTE,
    }),
  strokes: (seen: Seen, points: [number, number][], tolerance_mm: number) =>
    queryOptions({
      queryKey: ["strokes", seen.id, seen.version, points, tolerance_mm],
      queryFn: ({ signal }) =>
        told(
          client.POST("/api/v1/studies/{study_id}/strokes", {
            params: of(seen.id),
            body: { points, tolerance_mm },
            signal,
          }),
        ) as Promise<Strokes>,
      placeholderData: keepPreviousData,
      retry: whileBusy,
    }),
  work: () =>
    queryOptions({
      queryKey: ["work"],
      queryFn: ({ signal }) => told(client.GET("/api/v1/running", { signal })),
      refetchInterval: 1000,
      gcTime: 0,
      retry: whileBusy,
    }),
  plumbs: (query: { top_mm: number; middle_mm: number; foot_mm: number; height_mm: number }) =>
    queryOptions({
      queryKey: ["plumbs", query],
      queryFn: ({ signal }) => told(client.GET("/api/v1/plumbs", { params: { query }, signal })),
    }),
  depthSeen: (query: { height: number; distance: number; width: number; depth: number }) =>
    queryOptions({
      queryKey: ["depth seen", query],
      queryFn: ({ signal }) => told(client.GET("/api/v1/depth", { params: { query }, signal })),
      placeholderData: keepPreviousData,
      retry: whileBusy,
    }),
  reckon: (query: LiveQuery) =>
    queryOptions({
      queryKey: ["reckon", query],
      queryFn: ({ signal }) => told(client.GET("/api/v1/reckon", { params: { query }, signal })),
      placeholderData: keepPreviousData,
      retry: whileBusy,
    }),
};

type LiveQuery = {
  height_mm: number;
  width_mm: number;
  unit_mm: number;
  distance_mm: number;
  reach_mm: number;
  easel_mm: number;
  wanted_mm: number;
};
