// Lessons: given, given again, taken in from a file.
import type { components } from "../../generated/schema";
import { api } from "./client";
import type { LessonShown } from "./types";

const { client, told } = api;

export type Task = components["schemas"]["FileTask"];
type Made = components["schemas"]["LessonMade"];

export const makeLesson = (body: Partial<Made>) =>
  told(client.POST("/api/v1/lessons", { body: body as Made })) as Promise<LessonShown>;

export const takeLessonFile = (file: Blob) =>
  told(
    client.POST("/api/v1/lessons/file", {
      body: file,
      bodySerializer: (sent: unknown) => sent,
      headers: { "Content-Type": "application/json" },
    } as never),
  ) as Promise<LessonShown>;

export const lessonFileAddress = (lesson: string) => `/api/v1/lessons/${lesson}/file`;
