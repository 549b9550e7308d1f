"""Perspective: eye level, vanishing points, and edges that disagree, in words and places."""

from __future__ import annotations

from pydantic import BaseModel

from zirkel.core.network.families import SeenFamily
from zirkel.core.perspective.ticks import EdgeTicks, edge_ticks
from zirkel.core.study import UnitLength, UnitPair
from zirkel.core.words.perspective import say_edge, say_eye_level, say_family
from zirkel.store.store import Store

NO_TICKS = EdgeTicks((), ())


class FamilyShown(BaseModel):
    """A family: its edges, where they vanish in mm on the sheet, and that in words."""

    name: str
    level: bool
    edges: list[tuple[str, str]]
    said: str
    point_mm: tuple[float, float] | None
    left_mm: list[float]
    right_mm: list[float]
    """Matching ticks along the sheet's left and right edges, from its top: a line through two of
    them recedes as the family does. None where the edges tell nothing."""


class PerspectiveRoom(BaseModel):
    """Eye level and families of a study."""

    version: int
    eye_level: str
    eye_mm: float | None
    """How far below the sheet's top edge it lies; above it where negative."""
    families: list[FamilyShown]
    doubts: list[str]


def open_perspective(store: Store, study_id: int) -> PerspectiveRoom:
    """What the study's families tell."""
    stored = store.get(study_id)
    worked, study, words = stored.worked, stored.study, stored.worked.words
    found = worked.perspective
    left, top = worked.plan.origin_mm
    unit_mm = worked.plan.unit_mm
    unit = study.unit
    origin = ""
    if isinstance(unit, UnitPair):
        origin = unit.start
    elif isinstance(unit, UnitLength):
        origin = unit.origin

    def on_sheet(point: tuple[float, float] | None) -> tuple[float, float] | None:
        if point is None or unit_mm is None:
            return None
        return left + unit_mm * point[0], top + unit_mm * point[1]

    eye = on_sheet(None if found.eye_level is None else (0.0, found.eye_level))
    sheet = study.sheet

    def ticks(seen: SeenFamily) -> EdgeTicks:
        if not seen.determined:
            return NO_TICKS
        direction = seen.direction_deg if seen.at_infinity else None
        made = edge_ticks(on_sheet(seen.point), direction, sheet.width_mm, sheet.height_mm)
        return made or NO_TICKS

    doubts = [say_edge(each, words) for each in found.edges]
    return PerspectiveRoom(
        version=stored.version,
        eye_level=say_eye_level(found, words, origin),
        eye_mm=None if eye is None else eye[1],
        families=[
            FamilyShown(
                name=each.name,
                level=each.level,
                edges=list(each.edges),
                said=say_family(seen, words, origin),
                point_mm=on_sheet(seen.point),
                left_mm=list(ticks(seen).left_mm),
                right_mm=list(ticks(seen).right_mm),
            )
            for each, seen in zip(study.families, found.families, strict=True)
        ],
        doubts=[each for each in doubts if each is not None],
    )
