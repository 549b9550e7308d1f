// The study being set up: kept in the browser until it is begun, so that nothing entered is lost.
import { useCallback, useEffect, useState } from "react";
import type { Kit, StudyFile } from "../../api/types";
import type { ChosenSheet } from "../../shared/SheetChooser";

export type DraftLandmark = { id: string; name: string; tier: 1 | 2 | 3; rough: [number, number] };
export type DraftShape = { id: string; name: string; outline: string[]; closed: boolean };
export type DraftUnit = {
  from: string | null;
  to: string | null;
  along: "plumb" | "level" | "straight";
  name: string;
};

export type Draft = {
  title: string;
  sheet: ChosenSheet;
  landmarks: DraftLandmark[];
  shapes: DraftShape[];
  counting: "unit" | "mm";
  /** A picture of the subject, to tap on; landmarks are then counted in its heights. */
  picture: { picture: string; width: number; height: number } | null;
  unit: DraftUnit;
  /** The kit it was begun with: where its points usually sit, and what else it says of them. */
  kit: {
    name: string;
    about?: Kit["about"];
    usual: Record<string, [number, number]>;
    families: Kit["families"];
    heads: Kit["heads"];
    figures: Kit["figures"];
  } | null;
  /** Points of the kit that were pulled into place. */
  pulled: Record<string, [number, number]>;
};

const KEY = "zirkel.draft";

const EMPTY: Draft = {
  title: "",
  sheet: { width_mm: 297, height_mm: 420, margin_mm: 15 },
  landmarks: [],
  shapes: [],
  counting: "unit",
  picture: null,
  unit: { from: null, to: null, along: "plumb", name: "" },
  kit: null,
  pulled: {},
};

/** Free space left of a kit on the thumbnail, which is 1 high. */
const BESIDE = 0.15;

/** What a kit puts into the draft. */
export function fromKit(kit: Kit, draft: Draft): Partial<Draft> {
  const place = ([x, y]: [number, number]): [number, number] => [x + BESIDE, y];
  const usual = Object.fromEntries(kit.landmarks.map((each) => [each.id, place(each.at)]));
  return {
    title: draft.title || kit.title,
    landmarks: kit.landmarks.map((each) => ({
      id: each.id,
      name: each.name,
      tier: each.tier as 1 | 2 | 3,
      rough: place(each.at),
    })),
    shapes: kit.shapes.map((each) => ({
      id: each.id,
      name: each.name ?? each.id,
      outline: each.outline,
      closed: each.closed ?? true,
    })),
    unit: kit.unit
      ? { from: kit.unit.from, to: kit.unit.to, along: kit.unit.along, name: kit.unit.name ?? "" }
      : draft.unit,
    kit: {
      name: kit.name,
      about: kit.about,
      usual,
      families: kit.families,
      heads: kit.heads,
      figures: kit.figures,
    },
    pulled: {},
  };
}

/** The draft without a landmark, and without it in whatever names it. */
export function without(draft: Draft, id: string): Partial<Draft> {
  return {
    landmarks: draft.landmarks.filter((each) => each.id !== id),
    shapes: draft.shapes
      .map((each) => ({ ...each, outline: each.outline.filter((n) => n !== id) }))
      .filter((each) => each.outline.length > 1),
    unit: {
      ...draft.unit,
      from: draft.unit.from === id ? null : draft.unit.from,
      to: draft.unit.to === id ? null : draft.unit.to,
    },
  };
}

function stored(): Draft {
  try {
    return { ...EMPTY, ...JSON.parse(localStorage.getItem(KEY) ?? "{}") };
  } catch {
    return EMPTY;
  }
}

export function useDraft() {
  const [draft, setDraft] = useState<Draft>(stored);
  useEffect(() => localStorage.setItem(KEY, JSON.stringify(draft)), [draft]);
  const set = useCallback((part: Partial<Draft>) => setDraft((old) => ({ ...old, ...part })), []);
  const forget = useCallback(() => {
    localStorage.removeItem(KEY);
    setDraft(EMPTY);
  }, []);
  return { draft, set, forget };
}

/** An id from a name, free among those taken. */
export function freeId(name: string, taken: readonly string[]): string {
  const stem =
    name
      .normalize("NFKD")
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, "_")
      .replace(/^_+|_+$/g, "")
      .slice(0, 60) || "landmark";
  let made = stem;
  for (let i = 2; taken.includes(made); i++) {
    made = `${stem}_${i}`;
  }
  return made;
}

export function toFile(draft: Draft): StudyFile {
  const { unit, picture } = draft;
  const per = picture?.height ?? 1;
  const first = draft.landmarks[0]?.id;
  const guessed = unit.from && unit.to ? null : longestUpright(draft);
  const pair =
    unit.from && unit.to
      ? { from: unit.from, to: unit.to, along: unit.along, name: unit.name || "unit" }
      : guessed && { from: guessed[0].id, to: guessed[1].id, along: "plumb", name: "unit" };
  const lengths = first ? { mm: 1, name: "mm", origin: unit.from ?? first } : null;
  return {
    format: "zirkel-study",
    version: 1,
    title: draft.title.trim() || "Untitled study",
    method: draft.counting === "mm" ? "sight_size_life" : "comparative",
    sheet: draft.sheet,
    unit: draft.counting === "mm" ? lengths : pair,
    landmarks: draft.landmarks.map((each) => ({
      ...each,
      rough: each.rough.map((at) => at * per),
    })),
    shapes: draft.shapes.map((each) => ({ ...each, tier: 1 })),
    sightings: [],
    ...(guessed && {
      note: `Counted from ${guessed[0].name} to ${guessed[1].name}, the longest upright that was tapped, until you choose another unit in the set-up.`,
    }),
    ...ofKit(draft),
    ...(picture && { subject: picture }),
  } as unknown as StudyFile;
}

/** The two landmarks that stand furthest above one another, the upper first: what is counted in
 * while no unit was chosen. */
function longestUpright({ landmarks, counting }: Draft) {
  let best: [Draft["landmarks"][number], Draft["landmarks"][number]] | null = null;
  let longest = 0;
  for (const from of counting === "unit" ? landmarks : []) {
    for (const to of landmarks) {
      const down = to.rough[1] - from.rough[1];
      if (down > longest && Math.abs(to.rough[0] - from.rough[0]) <= down) {
        longest = down;
        best = [from, to];
      }
    }
  }
  return best;
}

/** Families and heads of the kit, of landmarks that were not dropped. */
function ofKit({ kit, landmarks }: Draft) {
  const seen = new Set(landmarks.map((each) => each.id));
  return {
    ...(kit?.about ? { about: kit.about as StudyFile["about"] } : {}),
    families: (kit?.families ?? [])
      .map((each) => ({
        ...each,
        edges: (each.edges ?? []).filter(([a, b]) => seen.has(a) && seen.has(b)),
      }))
      .filter((each) => each.edges.length > 0),
    heads: pointed(kit?.heads ?? [], seen),
    figures: pointed(kit?.figures ?? [], seen),
  };
}

/** Those of a head's or a figure's points whose landmarks were not dropped. */
function pointed<T extends { points?: Record<string, string> }>(held: T[], seen: Set<string>): T[] {
  return held.map((each) => ({
    ...each,
    points: Object.fromEntries(
      Object.entries(each.points ?? {}).filter(([, landmark]) => seen.has(landmark)),
    ),
  }));
}

/** What a step of the setting up is given. */
export type StepProps = { draft: Draft; set: (part: Partial<Draft>) => void };

/** A coordinate of the thumbnail, as fine as anybody taps. */
export function rounded(value: number): number {
  return Math.round(value * 1000) / 1000;
}
