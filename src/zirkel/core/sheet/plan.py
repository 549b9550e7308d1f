"""The plan: where each landmark goes on the sheet, in millimetres from its left and top edges.

The frame (the artist's, or the box round all landmarks) is laid into the sheet's free space, that
is inside its margins. Without a length chosen by the artist or fixed by sight-size, the unit gets
the largest round length with which the frame fits; `placement` shares out what is left over.
"""

from __future__ import annotations

import math
from collections.abc import Mapping
from dataclasses import dataclass

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.frames import Frame
from zirkel.core.network.slack import SDS, Ellipse, area
from zirkel.core.network.solve import Place, Solution
from zirkel.core.study import Study, UnitLength

ROUND_TO_MM = ((50.0, 5.0), (10.0, 1.0), (0.0, 0.5))
"""From which length on a unit is rounded down to multiples of how much."""

ROUND_TO_INCHES_MM = ((50.8, 25.4 / 4), (12.7, 25.4 / 8), (0.0, 25.4 / 16))
"""The same where lengths are said in inches: quarters, eighths, sixteenths."""

EDGE_MM = 1e-6
"""Slack against rounding when a landmark sits exactly on a margin."""


@dataclass(frozen=True, slots=True)
class Mark:
    """A place on the sheet; None for what is loose.

    `sd_mm` is the longer semi-axis of the standard ellipse, `slack` the area of slack in mm, which
    is so many times as large: how far it could still slide. Both are widened where the readings
    scatter more than believed. `held_left_mm`, `held_top_mm` are always numbers, as drawn
    meanwhile.
    """

    from_left_mm: float | None
    from_top_mm: float | None
    sd_mm: float | None
    held_left_mm: float
    held_top_mm: float
    slack: Ellipse | None


@dataclass(frozen=True, slots=True)
class Plan:
    """Size and place of the drawing on its sheet."""

    orientation: str
    unit_mm: float | None
    fits: bool
    fill: float
    marks: Mapping[str, Mark]
    origin_mm: tuple[float, float]
    """Where the unit's origin falls on the sheet."""
    frame: Frame | None
    outside: tuple[str, ...]
    """Landmarks that fall outside the margins."""


def make_plan(study: Study, solution: Solution) -> Plan:
    """Lay the solved subject into the study's sheet."""
    orientation = "portrait" if study.sheet.height_mm >= study.sheet.width_mm else "landscape"
    if not solution.landmarks:
        return Plan(orientation, study.unit_mm, True, 0.0, {}, (0.0, 0.0), study.frame, ())
    frame = study.frame or box_round(solution.landmarks)
    width, height = free_space(study)
    unit_mm = study.unit_mm or _fixed(study) or largest_round(frame, width, height, study.inches)
    origin = _origin(study, frame, unit_mm, width, height)
    marks = {
        name: _mark(place, unit_mm, origin, solution.scatter)
        for name, place in solution.landmarks.items()
    }
    outside = tuple(name for name, mark in marks.items() if not _inside(study, mark))
    share = max(_share(frame.right - frame.left, unit_mm, width),
                _share(frame.bottom - frame.top, unit_mm, height))  # fmt: skip
    return Plan(
        orientation=orientation,
        unit_mm=unit_mm,
        fits=share <= 1.0 + 1e-9 and not outside,
        fill=share,
        marks=marks,
        origin_mm=origin,
        frame=frame,
        outside=outside,
    )


def free_space(study: Study) -> tuple[float, float]:
    """Width and height inside the margins, in mm; never negative."""
    sheet, margin = study.sheet, study.sheet.margin
    return (
        max(0.0, sheet.width_mm - margin.left - margin.right),
        max(0.0, sheet.height_mm - margin.top - margin.bottom),
    )


def box_round(landmarks: Mapping[str, Place]) -> Frame:
    """The box round all landmarks, where they are held meanwhile."""
    x = [each.held_x for each in landmarks.values()]
    y = [each.held_y for each in landmarks.values()]
    return Frame(min(x), max(x), min(y), max(y))


def largest_round(frame: Frame, width: float, height: float, inches: bool = False) -> float:
    """The largest round length of the unit, in mm, with which the frame fits; round in
    millimetres, or in parts of an inch."""
    limits = [
        space / extent
        for space, extent in ((width, frame.right - frame.left), (height, frame.bottom - frame.top))
        if extent > 1e-9
    ]
    most = min(limits, default=100.0)
    rounding = ROUND_TO_INCHES_MM if inches else ROUND_TO_MM
    step = next(step for from_mm, step in rounding if most >= from_mm)
    rounded = math.floor(most / step + 1e-9) * step
    return rounded if rounded > 0 else max(most, 1e-6)


def _fixed(study: Study) -> float | None:
    """Readings that are lengths on the sheet fix the scale themselves."""
    return study.unit.mm if isinstance(study.unit, UnitLength) else None


def _origin(
    study: Study, frame: Frame, unit_mm: float, width: float, height: float
) -> tuple[float, float]:
    left = width - unit_mm * (frame.right - frame.left)
    above = height - unit_mm * (frame.bottom - frame.top)
    margin, placement = study.sheet.margin, study.placement
    return (
        margin.left + placement.across * left - unit_mm * frame.left,
        margin.top + placement.down * above - unit_mm * frame.top,
    )


def _mark(place: Place, unit_mm: float, origin: tuple[float, float], scatter: float) -> Mark:
    left, top = origin[0] + unit_mm * place.held_x, origin[1] + unit_mm * place.held_y
    slack = _slack(place, unit_mm, scatter)
    return Mark(
        from_left_mm=None if place.x is None or place.nowhere else left,
        from_top_mm=None if place.y is None or place.nowhere else top,
        sd_mm=None if slack is None else slack.longer / SDS,
        held_left_mm=left,
        held_top_mm=top,
        slack=slack,
    )


def _slack(place: Place, unit_mm: float, scatter: float) -> Ellipse | None:
    """The area of slack in mm; None in a loose direction."""
    if place.sd_x is None or place.sd_y is None or place.corr is None:
        return None
    shared = place.corr * place.sd_x * place.sd_y
    covariance: Array = np.array([[place.sd_x**2, shared], [shared, place.sd_y**2]])
    return area(covariance * (unit_mm * scatter) ** 2)


def _inside(study: Study, mark: Mark) -> bool:
    sheet, margin = study.sheet, study.sheet.margin
    across = margin.left - EDGE_MM <= mark.held_left_mm <= sheet.width_mm - margin.right + EDGE_MM
    down = margin.top - EDGE_MM <= mark.held_top_mm <= sheet.height_mm - margin.bottom + EDGE_MM
    return across and down


def _share(extent: float, unit_mm: float, space: float) -> float:
    if extent <= 1e-12:
        return 0.0
    return extent * unit_mm / space if space > 0 else math.inf
