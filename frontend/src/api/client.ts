// Talking to the server: typed by the API's own document, errors as `ApiError`.
import createClient from "openapi-fetch";
import type { paths } from "../../generated/schema";
import type {
  Answered,
  Artist,
  Bench,
  Change,
  CornersFound,
  DoorShown,
  Judged,
  Kit,
  LessonShown,
  PictureTaken,
  Posed,
  PosesFile,
  Problem,
  ReadOff,
  Series,
  ShelfTaken,
  StickPose,
  StudyFile,
} from "./types";

export class ApiError extends Error {
  constructor(
    readonly problem: Problem,
    readonly status: number,
  ) {
    super(problem.detail);
  }

  /** The sentence about what was entered, without the path to the field. */
  get sentence(): string {
    const said = this.problem.problems?.[0]?.problem ?? this.problem.detail;
    return `${said.charAt(0).toUpperCase()}${said.slice(1)}${/[.?!]$/.test(said) ? "" : "."}`;
  }
}

const UNREACHABLE: Problem = {
  title: "No answer",
  status: 0,
  detail: "Zirkel does not answer. What you entered is still here: try again in a moment.",
};

const client = createClient<paths>({ baseUrl: "", fetch: reached });

async function reached(request: Request): Promise<Response> {
  try {
    return await fetch(request);
  } catch (error) {
    if (request.signal.aborted) {
      throw error;
    }
    throw new ApiError(UNREACHABLE, 0);
  }
}

const NOT_LET_IN = 401;

/** A device that isn't let in, or was put out, gives the passcode first, then comes back here. */
function toTheDoor() {
  const { pathname, search } = window.location;
  if (pathname !== "/door") {
    window.location.assign(`/door#to=${pathname}${search}`);
  }
}

type Answer<T> = { data?: T; error?: unknown; response: Response };

/** The answer itself, or its problem as an error. */
async function told<T>(asked: Promise<Answer<T>>): Promise<T> {
  const { data, error, response } = await asked;
  if (response.ok) {
    return data as T;
  }
  const { status, statusText } = response;
  if (status === NOT_LET_IN) {
    toTheDoor();
  }
  const fallback: Problem = { title: "Error", status, detail: statusText };
  throw new ApiError((error as Problem) || fallback, status);
}

/** Sends a picture; `progress` hears which share of it has gone, then 1 while it is prepared. */
function sendPicture(file: Blob, progress: (share: number) => void): Promise<PictureTaken> {
  return new Promise((resolve, reject) => {
    const request = new XMLHttpRequest();
    request.open("POST", "/api/v1/pictures");
    request.upload.onprogress = (event) => progress(event.loaded / Math.max(event.total, 1));
    request.upload.onload = () => progress(1);
    request.onerror = () => reject(new ApiError(UNREACHABLE, 0));
    request.onload = () => {
      const fallback: Problem = { title: "Error", status: request.status, detail: "No answer" };
      const answer = parsed(request.responseText) ?? fallback;
      if (request.status === 201) {
        resolve(answer as PictureTaken);
      } else {
        reject(new ApiError(answer as Problem, request.status));
      }
    };
    request.setRequestHeader("Content-Type", file.type || "image/unknown");
    request.send(file);
  });
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}

/** A token under which a change is made once, however often it is sent. */
export function newToken(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  return Array.from(bytes, (each) => each.toString(16).padStart(2, "0")).join("");
}

type Based = { version: number; token: string };
const of = (study_id: number) => ({ path: { study_id } });
/** A file goes as the request's body, whatever the document says of it. */
const bytes = (file: Blob) => ({ body: file as never, bodySerializer: (body: unknown) => body });

/** What changes something; what is only asked for is in `queries`. */
export const api = {
  client,
  told,
  make: (body: StudyFile) =>
    told(client.POST("/api/v1/studies", { body: body as never })) as Promise<Bench>,
  importFile: (file: Blob) =>
    told(client.POST("/api/v1/studies/import", bytes(file) as never)) as Promise<Bench>,
  bench: (id: number) =>
    told(client.GET("/api/v1/studies/{study_id}", { params: of(id) })) as Promise<Bench>,
  change: (id: number, change: Change, based: Based) =>
    told(
      client.POST("/api/v1/studies/{study_id}/changes", {
        params: of(id),
        body: { ...based, change },
      }),
    ) as Promise<Bench>,
  undo: (id: number, body: Based) =>
    told(
      client.POST("/api/v1/studies/{study_id}/undo", { params: of(id), body }),
    ) as Promise<Bench>,
  redo: (id: number, body: Based) =>
    told(
      client.POST("/api/v1/studies/{study_id}/redo", { params: of(id), body }),
    ) as Promise<Bench>,
  remove: (id: number, removed: boolean) =>
    told(
      client.PUT("/api/v1/studies/{study_id}/removed", { params: of(id), body: { removed } }),
    ) as Promise<unknown>,
  copy: (id: number) =>
    told(client.POST("/api/v1/studies/{study_id}/copy", { params: of(id) })) as Promise<Bench>,
  addScene: (file: Blob) => told(client.POST("/api/v1/scenes", bytes(file) as never)),
  beginFromScene: (scene: string) =>
    told(client.POST("/api/v1/studies/from-scene", { body: { scene } })) as Promise<Bench>,
  stick: (id: number, body: StickPose) =>
    told(client.POST("/api/v1/studies/{study_id}/stick", { params: of(id), body })),
  reach: (query: { length_mm: number; near_mm: number; far_mm: number; back_mm: number }) =>
    told(client.GET("/api/v1/reach", { params: { query } })),
  corners: (id: number, picture: string) =>
    told(
      client.POST("/api/v1/studies/{study_id}/corners", { params: of(id), body: { picture } }),
    ) as Promise<CornersFound>,
  readTones: (id: number) =>
    told(
      client.GET("/api/v1/studies/{study_id}/tones/read", {
        params: { ...of(id), query: {} },
      }),
    ) as Promise<ReadOff>,
  addKit: (file: Blob) => told(client.POST("/api/v1/kits", bytes(file) as never)) as Promise<Kit>,
  pullKit: (body: {
    usual: Record<string, [number, number]>;
    pulled: Record<string, [number, number]>;
  }) =>
    told(client.POST("/api/v1/kits/pull", { body })) as Promise<{
      places: Record<string, [number, number]>;
    }>,
  pose: (exercise: string, artist: string | null) =>
    told(client.POST("/api/v1/practice/pose", { body: { exercise, artist } })) as Promise<Posed>,
  answer: (body: Answered) =>
    told(client.POST("/api/v1/practice/answer", { body })) as Promise<Judged>,
  nameArtist: (name: string, artist: string | null) =>
    told(client.POST("/api/v1/artists", { body: { name, artist } })) as Promise<Artist>,
  takeInPractice: (file: Blob, artist: string) =>
    told(
      client.POST("/api/v1/practice/file", {
        params: { query: { artist } },
        ...bytes(file),
      } as never),
    ) as Promise<{ trials: number; new: number }>,
  addSeries: (file: Blob) =>
    told(client.POST("/api/v1/series", bytes(file) as never)) as Promise<Series>,
  keepPoses: (body: PosesFile) =>
    told(client.POST("/api/v1/poses", { body })) as Promise<{ name: string }>,
  dropPoses: (name: string) =>
    told(client.DELETE("/api/v1/poses/{name}", { params: { path: { name } } })) as Promise<unknown>,
  unpackShelf: (file: Blob) =>
    told(
      client.POST("/api/v1/shelf", {
        ...bytes(file),
        headers: { "Content-Type": "application/zip" },
      } as never),
    ) as Promise<ShelfTaken>,
  joinLesson: (lesson: string, body: { name: string; again: boolean }) =>
    told(
      client.POST("/api/v1/lessons/{lesson}/pupils", { params: { path: { lesson } }, body }),
    ) as Promise<{ study_id: number }>,
  closeLesson: (lesson: string, closed: boolean) =>
    told(
      client.PUT("/api/v1/lessons/{lesson}/closed", {
        params: { path: { lesson } },
        body: { closed },
      }),
    ) as Promise<LessonShown>,
  layStick: (id: number, body: { listener: string; kind: string; landmarks: string[] }) =>
    told(
      client.POST("/api/v1/studies/{study_id}/live", { params: of(id), body }),
    ) as Promise<unknown>,
  knock: (passcode: string, name: string) =>
    told(client.POST("/api/v1/door", { body: { passcode, name } })) as Promise<DoorShown>,
  newPasscode: () => told(client.POST("/api/v1/door/passcode")) as Promise<DoorShown>,
  putOut: (device: string) =>
    told(
      client.DELETE("/api/v1/devices/{device}", { params: { path: { device } } }),
    ) as Promise<unknown>,
  takePicture: sendPicture,
  leave: (number: number) =>
    told(
      client.DELETE("/api/v1/running/{number}", { params: { path: { number } } }),
    ) as Promise<unknown>,
  takeAddress: (id: number, what: string, artist: string | null = null) =>
    `/api/v1/studies/${id}/take/${what}${artist ? `?artist=${encodeURIComponent(artist)}` : ""}`,
  shelfAddress: "/api/v1/shelf",
  printAddress: (id: number) => `/api/v1/studies/${id}/print.pdf`,
  practiceAddress: (artist: string) => `/api/v1/practice/file?artist=${encodeURIComponent(artist)}`,
  seriesAddress: (name: string) => `/api/v1/series/${encodeURIComponent(name)}/file`,
  kitAddress: (id: number) => `/api/v1/studies/${id}/kit`,
  fileAddress: (id: number) => `/api/v1/studies/${id}/file`,
};
