// Talking to the server: one function per operation, errors as `ApiError`.
import type {
  Bench,
  Change,
  LiveReckoning,
  PictureTaken,
  Plumbs,
  Problem,
  Prompts,
  RecipeRoom,
  Relations,
  Reveal,
  RoomFrame,
  SceneCard,
  SceneList,
  SheetRoom,
  Station,
  StationRoom,
  StickPose,
  StickReading,
  Strokes,
  StudyFile,
  TrustReport,
  Wall,
} from "./types";

const BASE = "/api/v1";

export class ApiError extends Error {
  constructor(
    readonly problem: Problem,
    readonly status: number,
  ) {
    super(problem.detail);
  }

  /** The sentence about what was entered, without the path to the field. */
  get sentence(): string {
    return this.problem.problems?.[0]?.problem ?? this.problem.detail;
  }
}

const UNREACHABLE: Problem = {
  title: "No answer",
  status: 0,
  detail: "Zirkel does not answer. What you entered is still here: try again in a moment.",
};

async function call<T>(path: string, init?: RequestInit): Promise<T> {
  let response: Response;
  try {
    response = await fetch(BASE + path, init);
  } catch {
    throw new ApiError(UNREACHABLE, 0);
  }
  if (!response.ok) {
    const fallback: Problem = {
      title: "Error",
      status: response.status,
      detail: response.statusText,
    };
    throw new ApiError(await response.json().catch(() => fallback), response.status);
  }
  return response.status === 204 ? (undefined as T) : response.json();
}

function send(method: string, body: unknown): RequestInit {
  return { method, headers: { "Content-Type": "application/json" }, body: JSON.stringify(body) };
}

/** Sends a picture; `progress` hears which share of it has gone, then 1 while it is prepared. */
function sendPicture(file: Blob, progress: (share: number) => void): Promise<PictureTaken> {
  return new Promise((resolve, reject) => {
    const request = new XMLHttpRequest();
    request.open("POST", `${BASE}/pictures`);
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

export const api = {
  wall: () => call<Wall>("/studies"),
  make: (draft: StudyFile) => call<Bench>("/studies", send("POST", draft)),
  importFile: (file: Blob) => call<Bench>("/studies/import", { method: "POST", body: file }),
  bench: (id: number) => call<Bench>(`/studies/${id}`),
  relations: (id: number) => call<Relations>(`/studies/${id}/relations`),
  trust: (id: number) => call<TrustReport>(`/studies/${id}/trust`),
  prompts: (id: number) => call<Prompts>(`/studies/${id}/prompts`),
  change: (id: number, version: number, change: Change, token: string) =>
    call<Bench>(`/studies/${id}/changes`, send("POST", { version, change, token })),
  undo: (id: number, version: number, token: string) =>
    call<Bench>(`/studies/${id}/undo`, send("POST", { version, token })),
  redo: (id: number, version: number, token: string) =>
    call<Bench>(`/studies/${id}/redo`, send("POST", { version, token })),
  remove: (id: number, removed: boolean) =>
    call<void>(`/studies/${id}/removed`, send("PUT", { removed })),
  scenes: () => call<SceneList>("/scenes"),
  addScene: (file: Blob) => call<SceneCard>("/scenes", { method: "POST", body: file }),
  beginFromScene: (scene: string) => call<Bench>("/studies/from-scene", send("POST", { scene })),
  station: (id: number, station: Station | null) =>
    call<StationRoom>(`/studies/${id}/station`, send("POST", { station })),
  stick: (id: number, pose: StickPose) =>
    call<StickReading>(`/studies/${id}/stick`, send("POST", pose)),
  reveal: (id: number) => call<Reveal>(`/studies/${id}/reveal`),
  reach: (query: URLSearchParams) => call<{ reach_mm: number }>(`/reach?${query}`),
  reckon: (query: URLSearchParams) => call<LiveReckoning>(`/reckon?${query}`),
  sheet: (id: number, frame: RoomFrame | null) =>
    call<SheetRoom>(`/studies/${id}/sheet`, send("POST", { frame })),
  recipe: (id: number) => call<RecipeRoom>(`/studies/${id}/recipe`),
  strokes: (id: number, points: [number, number][], tolerance_mm: number) =>
    call<Strokes>(`/studies/${id}/strokes`, send("POST", { points, tolerance_mm })),
  plumbs: (query: URLSearchParams) => call<Plumbs>(`/plumbs?${query}`),
  takeAddress: (id: number, what: string) => `${BASE}/studies/${id}/take/${what}`,
  takePicture: sendPicture,
  printAddress: (id: number) => `${BASE}/studies/${id}/print.pdf`,
  fileAddress: (id: number) => `${BASE}/studies/${id}/file`,
};
