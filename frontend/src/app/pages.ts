// All pages: where each is, and how it is loaded when it is first opened.
import { type ComponentType, lazy } from "react";
import { type Room, STAGES } from "../shared/stages";

type Page = { path: string; page: ComponentType };
type Loaded = Promise<{ default: ComponentType }>;

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
    page: lazy(ROOMS[each.key]),
  })),
  { path: "/studies/:id/sitting", page: lazy(() => import("./pages/SittingPage")) },
  { path: "*", page: lazy(() => import("./pages/WallPage")) },
];
