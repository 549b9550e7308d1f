"""What depth puts on the sheet, in mm from its top-left corner: eye level, ticks by which receding
lines are drawn, ellipses by box, axes and eight points, and things in equal steps."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from zirkel.core.network.families import Perspective
from zirkel.core.perspective.ellipses import Rounds, RoundSeen
from zirkel.core.perspective.repeated import Repeated, repeated
from zirkel.core.perspective.ticks import EdgeTicks, edge_ticks
from zirkel.core.sheet.plan import Plan
from zirkel.core.study import Study
from zirkel.errors import BadInput

NO_TICKS = EdgeTicks((), ())
Spot = tuple[float, float]


@dataclass(frozen=True, slots=True)
class FamilyOnSheet:
    """A family: its edges by landmark, where it vanishes, its ticks, and for each of its edges
    the line on through the sheet's width, (left end, right end)."""

    name: str
    edges: tuple[tuple[str, str], ...]
    point: Spot | None
    ticks: EdgeTicks
    fan: tuple[tuple[Spot, Spot], ...]


@dataclass(frozen=True, slots=True)
class EllipseOnSheet:
    """An ellipse: eight points of its rim, the first and fifth the ends of its long axis, the third
    and seventh those of its short one; the box's corners round it."""

    seen: RoundSeen
    points: tuple[Spot, ...]
    box: tuple[Spot, ...]


@dataclass(frozen=True, slots=True)
class StepsOnSheet:
    """Things in equal steps: uprights, those sighted first; centres of the panels between; what is
    wrong, where they can't be drawn."""

    name: str
    made: Repeated | None
    trouble: str | None


@dataclass(frozen=True, slots=True)
class DepthOnSheet:
    """All of it; nothing where the drawing has no size yet."""

    eye: float | None
    families: tuple[FamilyOnSheet, ...]
    ellipses: tuple[EllipseOnSheet, ...]
    steps: tuple[StepsOnSheet, ...]


def depth_on_sheet(
    study: Study, plan: Plan, found: Perspective, rounds: Rounds, places: Mapping[str, Spot]
) -> DepthOnSheet:
    """From what the readings say (places in units) and where the plan puts it."""
    unit = plan.unit_mm
    if unit is None:
        return DepthOnSheet(None, (), (), ())
    left, top = plan.origin_mm
    sheet = study.sheet

    def on_sheet(at: Spot) -> Spot:
        return left + unit * at[0], top + unit * at[1]

    eye = None if found.eye_level is None else on_sheet((0.0, found.eye_level))[1]
    families = []
    for each in found.families:
        point = None if each.point is None else on_sheet(each.point)
        ticks = None
        if each.determined:
            direction = each.direction_deg if each.at_infinity else None
            ticks = edge_ticks(point, direction, sheet.width_mm, sheet.height_mm)
        own = [e for e in found.edges if (e.family, e.sort) == (each.name, each.sort)]
        ends = tuple((e.start, e.end) for e in own)
        fan: tuple[tuple[Spot, Spot], ...] = ()
        if point is not None and each.determined:
            nears = [on_sheet(places[e.start]) for e in own if e.start in places]
            fan = tuple(_across(near, point, sheet.width_mm) for near in nears)
        families.append(FamilyOnSheet(each.name, ends, point, ticks or NO_TICKS, fan))
    ellipses = tuple(
        EllipseOnSheet(
            each,
            tuple(on_sheet(p) for p in each.points),
            tuple(on_sheet(p) for p in _box(each)),
        )
        for each in rounds.seen
    )
    steps = []
    for row in study.repeats:
        names = [*row.first, *row.second]
        if not all(name in places for name in names):
            continue
        a, b, c, d = (on_sheet(places[name]) for name in names)
        try:
            steps.append(StepsOnSheet(row.name, repeated((a, b), (c, d), row.count), None))
        except BadInput as error:
            steps.append(StepsOnSheet(row.name, None, error.problem))
    return DepthOnSheet(eye, tuple(families), ellipses, tuple(steps))


def _across(near: Spot, point: Spot, width: float) -> tuple[Spot, Spot]:
    """From an edge's end to where it vanishes, or to the sheet's side on the way there."""
    (x, y), (vx, vy) = near, point
    end = min(max(vx, 0.0), width)
    if abs(vx - x) < 1e-9:
        return near, point
    return near, (end, y + (vy - y) * (end - x) / (vx - x))


def _box(each: RoundSeen) -> tuple[Spot, ...]:
    (ax, ay), (bx, by) = each.points[0], each.points[2]
    cx, cy = each.centre
    u, v = (ax - cx, ay - cy), (bx - cx, by - cy)
    return tuple(
        (cx + i * u[0] + j * v[0], cy + i * u[1] + j * v[1])
        for i, j in ((1, 1), (-1, 1), (-1, -1), (1, -1))
    )
