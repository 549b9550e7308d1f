"""Flat tones as areas on the sheet, largest first, so that what lies within another shows."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from zirkel.core.study import Study
from zirkel.core.tones.grey import grey_of
from zirkel.core.tones.media import MediumData
from zirkel.core.tones.plan import FlatTone, TonePlan
from zirkel.core.tones.shares import polygon_area
from zirkel.core.worked import Worked
from zirkel.media import shipped_media


@dataclass(frozen=True, slots=True)
class FlatArea:
    """An area on the sheet in mm, and the grey it is filled with."""

    name: str
    points: Sequence[tuple[float, float]]
    grey: str


def tone_plan(worked: Worked) -> TonePlan:
    """The study's plan of tones, by what ships of its medium."""
    return worked.plan_tones(tone_medium(worked))


def tone_medium(worked: Worked) -> MediumData | None:
    """What ships of the study's medium."""
    chosen = worked.study.tone_medium
    return shipped_media().get(chosen.name or "") if chosen else None


def flat_areas(worked: Worked, plan: TonePlan) -> list[FlatArea]:
    """All areas that have an outline and a tone."""
    flat_of: dict[str, FlatTone] = {n: each for each in plan.flat for n in each.areas}
    marks = worked.plan.marks
    made = []
    for each in worked.study.tone_areas:
        points = [(marks[n].held_left_mm, marks[n].held_top_mm) for n in each.outline if n in marks]
        if len(points) >= 3 and each.id in flat_of:
            made.append(FlatArea(each.name, points, grey_of(flat_of[each.id].on_sheet)))
    return sorted(made, key=lambda each: -polygon_area(each.points))


def has_tones(study: Study) -> bool:
    """Whether a study has areas that were compared."""
    return bool(study.tone_areas and study.tone_readings)
