"""Depth: eye level, vanishing points, ellipses, shadows and equal steps, in words and places."""

from __future__ import annotations

from pydantic import BaseModel

from zirkel.core.network.families import SeenFamily
from zirkel.core.perspective.foreshortening import seen_depth
from zirkel.core.perspective.on_sheet import DepthOnSheet, FamilyOnSheet
from zirkel.core.perspective.shadows import lights
from zirkel.core.perspective.station import eye_place
from zirkel.core.study import Study, UnitLength, UnitPair
from zirkel.core.words.base import Words
from zirkel.core.words.perspective import (
    say_crossing,
    say_depth_seen,
    say_edge,
    say_eye_level,
    say_family,
    say_light,
    say_repeat,
    say_round,
    say_station,
)
from zirkel.core.worked import Worked
from zirkel.store.store import Store

Spot = tuple[float, float]


class FamilyShown(BaseModel):
    """A family: its edges, where they vanish in mm on the sheet, and that in words. `left_mm` and
    `right_mm` are matching ticks along the sheet's left and right edges, from its top: a line
    through two of them recedes as the family does; none where the edges tell nothing. `fan` are
    its edges carried on towards where they vanish."""

    name: str
    level: bool
    edges: list[tuple[str, str]]
    said: str
    point_mm: Spot | None
    left_mm: list[float]
    right_mm: list[float]
    fan: list[tuple[Spot, Spot]]


class RoundShown(BaseModel):
    """A circle: its landmarks, what is seen of it, and how it is drawn, in mm on the sheet."""

    id: str
    name: str
    left: str
    right: str
    near: str
    far: str | None
    said: str
    doubted: bool
    points_mm: list[Spot]
    box_mm: list[Spot]


class ShadowShown(BaseModel):
    """A cast shadow by its landmarks."""

    id: str
    name: str
    top: str
    foot: str
    tip: str
    light: str


class StepsShown(BaseModel):
    """Things in equal steps: uprights (top, foot) in mm, those sighted first, the panels' centres,
    and how to draw them."""

    name: str
    count: int
    landmarks: list[str]
    posts_mm: list[tuple[Spot, Spot]]
    centres_mm: list[Spot]
    said: list[str]
    trouble: str | None


class PerspectiveRoom(BaseModel):
    """All that a study says of depth. `eye_mm` is how far below the sheet's top edge the eye level
    lies; above it where negative."""

    version: int
    eye_level: str
    eye_mm: float | None
    families: list[FamilyShown]
    rounds: list[RoundShown]
    shadows: list[ShadowShown]
    lights: list[str]
    steps: list[StepsShown]
    station: list[str]
    doubts: list[str]


class DepthSeen(BaseModel):
    """How deep a level rectangle is seen, in words and in widths of its near edge."""

    depth: float
    far_width: float
    known: float
    looking_down_deg: float
    said: str


def open_perspective(store: Store, study_id: int) -> PerspectiveRoom:
    """What the study says of depth."""
    stored = store.get(study_id)
    worked, study, words = stored.worked, stored.study, stored.worked.words
    found, sheet = worked.perspective, worked.depth_on_sheet
    origin = _origin(study)
    shown = {each.name: each for each in sheet.families}
    told = [say_edge(each, words) for each in found.edges]
    told += [say_crossing(each.edges, worked.positions, words) for each in study.families]
    return PerspectiveRoom(
        version=stored.version,
        eye_level=say_eye_level(found, words, origin),
        eye_mm=sheet.eye,
        families=[
            _family(seen, shown.get(seen.name), list(each.edges), words, origin)
            for each, seen in zip(study.families, found.families, strict=False)
        ],
        rounds=_rounds(worked, sheet),
        shadows=[
            ShadowShown(
                id=each.id, name=each.name, top=each.top, foot=each.foot, tip=each.tip,
                light=each.light,
            )
            for each in study.shadows
        ],
        lights=[say_light(each, words) for each in lights(found)],
        steps=_steps(study, sheet, words),
        station=_station(worked),
        doubts=[each for each in told if each is not None],
    )  # fmt: skip


def open_depth(height: float, distance: float, width: float, depth: float) -> DepthSeen:
    """What depth is seen of a level rectangle, from eye height over it and distance."""
    made = seen_depth(height, distance, width, depth)
    return DepthSeen(
        depth=made.depth, far_width=made.far_width, known=made.known,
        looking_down_deg=made.looking_down_deg, said=say_depth_seen(made),
    )  # fmt: skip


def _origin(study: Study) -> str:
    unit = study.unit
    if isinstance(unit, UnitPair):
        return unit.start
    return unit.origin if isinstance(unit, UnitLength) else ""


def _family(
    seen: SeenFamily,
    shown: FamilyOnSheet | None,
    edges: list[tuple[str, str]],
    words: Words,
    origin: str,
) -> FamilyShown:
    return FamilyShown(
        name=seen.name,
        level=seen.level,
        edges=edges,
        said=say_family(seen, words, origin),
        point_mm=shown.point if shown else None,
        left_mm=list(shown.ticks.left_mm) if shown else [],
        right_mm=list(shown.ticks.right_mm) if shown else [],
        fan=list(shown.fan) if shown else [],
    )


def _rounds(worked: Worked, sheet: DepthOnSheet) -> list[RoundShown]:
    drawn = {each.seen.id: each for each in sheet.ellipses}
    seen = {each.id: each for each in worked.rounds.seen}
    made = []
    for each in worked.study.rounds:
        own = seen.get(each.id)
        said = say_round(own, worked.rounds) if own else f"{each.name}: its points lie at one spot."
        lines = drawn.get(each.id)
        made.append(
            RoundShown(
                id=each.id, name=each.name, left=each.left, right=each.right, near=each.near,
                far=each.far, said=said, doubted=each.id in worked.rounds.doubts,
                points_mm=list(lines.points) if lines else [],
                box_mm=list(lines.box) if lines else [],
            )
        )  # fmt: skip
    return made


def _steps(study: Study, sheet: DepthOnSheet, words: Words) -> list[StepsShown]:
    drawn = {each.name: each for each in sheet.steps}
    made = []
    for each in study.repeats:
        own = drawn.get(each.name)
        lines = own.made if own else None
        made.append(
            StepsShown(
                name=each.name, count=each.count, landmarks=[*each.first, *each.second],
                posts_mm=list(lines.posts) if lines else [],
                centres_mm=list(lines.centres) if lines else [],
                said=list(say_repeat(each, words)), trouble=own.trouble if own else None,
            )
        )  # fmt: skip
    return made


def _station(worked: Worked) -> list[str]:
    if len([each for each in worked.study.families if each.level]) < 2:
        return []
    across = [x for x, _ in worked.positions.values()]
    place = eye_place(worked.perspective, min(across), max(across))
    return list(say_station(place, worked.words))
