// What the picture draws: landmarks and lines in pixels. Arithmetic only.
import { useMemo } from "react";
import type { Bench, BenchLandmark } from "../../../api/types";
import type { Point } from "../../../geometry/scale";
import { type Layout, layOut } from "./layout";
import type { View } from "./useView";

export type Drawn = {
  landmark: BenchLandmark;
  mark: Point;
  seen: Point | null;
};

export type Line = {
  id: string;
  name: string;
  /** The landmarks joined, and where they are drawn. */
  ids: string[];
  points: Point[];
  closed: boolean;
  sure: boolean;
  tier: number;
  weight: number;
  /** Sides that run back, from their near end to their far one. */
  fades: Fade[];
};

type Fade = { near: string; far: string; left: number; from: Point; to: Point };

export type Picture = {
  layout: Layout;
  drawn: Drawn[];
  byId: Map<string, Drawn>;
  onSheet: Line[];
  onSubject: Line[];
};

export function usePicture(bench: Bench, width: number, height: number, view: View): Picture {
  return useMemo(() => {
    const layout = layOut(bench, width, height, view);
    const drawn = bench.landmarks.map((landmark) => ({
      landmark,
      mark: layout.sheet.toScreen({ x: landmark.held_left_mm, y: landmark.held_top_mm }),
      seen:
        landmark.seen_left_mm === null || landmark.seen_top_mm === null
          ? null
          : layout.subject.toScreen({ x: landmark.seen_left_mm, y: landmark.seen_top_mm }),
    }));
    const byId = new Map(drawn.map((each) => [each.landmark.id, each]));
    const lines = (pick: (each: Drawn) => Point | null) =>
      bench.shapes.map((shape) => {
        const members = shape.outline
          .flatMap((id) => byId.get(id) ?? [])
          .filter((each) => pick(each) !== null);
        return {
          id: shape.id,
          name: shape.name,
          closed: shape.closed,
          tier: shape.tier,
          weight: shape.weight,
          fades: shape.fades.flatMap((side) => {
            const [near, far] = [byId.get(side.near), byId.get(side.far)];
            const [from, to] = [near && pick(near), far && pick(far)];
            return from && to ? [{ ...side, from, to }] : [];
          }),
          sure: members.every((each) => each.landmark.standing !== "loose"),
          ids: members.map((each) => each.landmark.id),
          points: members.flatMap((each) => pick(each) ?? []),
        };
      });
    return {
      layout,
      drawn,
      byId,
      onSheet: lines((each) => each.mark),
      onSubject: lines((each) => each.seen),
    };
  }, [bench, width, height, view]);
}
