// All pages: where each is, and how it is loaded when it is first opened.
import { type ComponentType, lazy } from "react";
import { type Room, STAGES } from "../shared/stages";

type Page = { path: string; page: ComponentType };
type Loaded = Promise<{ default: ComponentType }>;

const AGAIN_MS = 3000;

/** A page that could not be fetched is fetched again until it is there: the network comes back. */
const untilThere = (load: () => Loaded) => async (): Loaded => {
  for (;;) {
    try {
      return await load();
    } catch {
      await new Promise((done) => window.setTimeout(done, AGAIN_MS));
    }
  }
};

const ROOMS: Record<Room, () => Loaded> = {
  subject: () => import("./pages/SubjectPage"),
  frame: () => import("./pages/FramePage"),
  bench: () => import("./pages/BenchPage"),
  draw: () => import("./pages/DrawPage"),
  check: () => import("./pages/CheckPage"),
  tone: () => import("./pages/TonePage"),
};

export const PAGES: readonly Page[] = [
  { path: "/", page: lazy(() => import("./pages/WallPage")) },
  { path: "/new", page: lazy(() => import("./pages/NewStudyPage")) },
  { path: "/scenes", page: lazy(() => import("./pages/ScenesPage")) },
  { path: "/door", page: lazy(() => import("./pages/DoorPage")) },
  { path: "/devices", page: lazy(() => import("./pages/DevicesPage")) },
  { path: "/lessons", page: lazy(() => import("./pages/LessonsPage")) },
  { path: "/lessons/:id", page: lazy(() => import("./pages/JoinPage")) },
  { path: "/lessons/:id/wall", page: lazy(() => import("./pages/LessonWallPage")) },
  { path: "/practice", page: lazy(() => import("./pages/PracticePage")) },
  { path: "/practice/drill", page: lazy(() => import("./pages/DrillPage")) },
  { path: "/practice/series", page: lazy(() => import("./pages/SeriesPage")) },
  ...STAGES.map((each) => ({
    path: `/studies/:id${each.path}`,
    page: lazy(untilThere(ROOMS[each.key])),
  })),
  { path: "/studies/:id/sitting", page: lazy(() => import("./pages/SittingPage")) },
  { path: "/poses/:name", page: lazy(() => import("./pages/ShortPosesPage")) },
  { path: "/poses/:name/:pose", page: lazy(() => import("./pages/ShortPosesPage")) },
  { path: "*", page: lazy(() => import("./pages/NowherePage")) },
];

const QUIET_MS = 8000;

/** While there is a network, the other rooms of a study are fetched once it is quiet. */
export function fetchRooms(): () => void {
  const later = window.setTimeout(() => {
    for (const load of Object.values(ROOMS)) {
      load().catch(() => undefined);
    }
  }, QUIET_MS);
  return () => window.clearTimeout(later);
}
