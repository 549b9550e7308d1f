"""Fitting the frame to the sheet: which lengths the unit may have, and what could run off.

An offer is a length of the unit on the sheet with which the frame fits, and what its rounding
costs: how much shorter than the longest possible the drawing comes, at its far end.
"""

from __future__ import annotations

import math
from collections.abc import Mapping
from dataclasses import dataclass

from zirkel.core.frames import Frame, Placement
from zirkel.core.network.slack import SDS
from zirkel.core.sheet.plan import Mark, Plan, free_space
from zirkel.core.study import Study
from zirkel.core.values.lengths import INCH_MM

ROUND_MM = (50.0, 20.0, 10.0, 5.0, 2.0, 1.0, 0.5)
ROUND_INCHES = (2.0, 1.0, 0.5, 0.25, 0.125, 0.0625)
SURELY = 2.0
"""Standard deviations within which a mark lies 19 times in 20, near enough, in one direction."""

PLACEMENTS: Mapping[str, Placement] = {
    "centred": Placement(0.5, 0.5),
    "a little above centre": Placement(0.5, 0.42),
    "towards the left": Placement(0.38, 0.46),
    "towards the right": Placement(0.62, 0.46),
}


@dataclass(frozen=True, slots=True)
class Offer:
    """A length for the unit. `cost_mm` is lost at the far end against the longest possible; `why`
    is round, longest, sight-size or enlargement."""

    unit_mm: float
    why: str
    fits: bool
    cost_mm: float
    width_mm: float
    height_mm: float


@dataclass(frozen=True, slots=True)
class Overrun:
    """A landmark that could still lie beyond an edge: by how much, in mm, of the margin and of the
    sheet itself; not above zero where it surely doesn't."""

    landmark: str
    edge: str
    beyond_margin_mm: float
    beyond_sheet_mm: float


def longest(frame: Frame, width_mm: float, height_mm: float) -> float:
    """The longest the unit can be with the frame inside the free space; infinite for a point."""
    across, down = frame.right - frame.left, frame.bottom - frame.top
    limits = [
        space / extent for space, extent in ((width_mm, across), (height_mm, down)) if extent > 1e-9
    ]
    return min(limits, default=math.inf)


def offers(study: Study, frame: Frame, inches: bool, fixed: Mapping[str, float]) -> list[Offer]:
    """Round lengths that fit, longest first, and those that are `fixed` by name, fit or not."""
    width, height = free_space(study)
    most = longest(frame, width, height)
    if not math.isfinite(most) or most <= 0:
        return []
    extent = max(frame.right - frame.left, frame.bottom - frame.top)
    unit = INCH_MM if inches else 1.0
    rounds = dict.fromkeys(
        math.floor(most / (step * unit) + 1e-9) * step * unit
        for step in (ROUND_INCHES if inches else ROUND_MM)
    )
    chosen = [("round", each) for each in sorted(rounds, reverse=True) if each > 0]
    chosen += list(fixed.items())
    return [
        Offer(
            unit_mm=length,
            why=why,
            fits=length <= most * (1.0 + 1e-9),
            cost_mm=(most - length) * extent,
            width_mm=length * (frame.right - frame.left),
            height_mm=length * (frame.bottom - frame.top),
        )
        for why, length in chosen
    ]


def overruns(study: Study, plan: Plan) -> list[Overrun]:
    """Landmarks that could still run beyond a margin, worst first."""
    made = []
    for name, mark in plan.marks.items():
        slack = _slack(mark)
        if slack is None:
            continue
        for edge, inside_margin, inside_sheet, sd in _insides(study, mark, slack):
            beyond = SURELY * sd - inside_margin
            if beyond > 0.05:
                made.append(Overrun(name, edge, beyond, SURELY * sd - inside_sheet))
    return sorted(made, key=lambda each: -each.beyond_sheet_mm)


def _slack(mark: Mark) -> tuple[float, float] | None:
    """Standard deviations across and down, in mm."""
    if mark.slack is None:
        return None
    longer, shorter = mark.slack.longer / SDS, mark.slack.shorter / SDS
    angle = math.radians(mark.slack.angle_deg)
    c, s = math.cos(angle), math.sin(angle)
    return math.hypot(longer * c, shorter * s), math.hypot(longer * s, shorter * c)


def _insides(
    study: Study, mark: Mark, slack: tuple[float, float]
) -> list[tuple[str, float, float, float]]:
    """For each edge: how far inside the margin and inside the sheet the mark lies, and its sd."""
    sheet, margin = study.sheet, study.sheet.margin
    x, y = mark.held_left_mm, mark.held_top_mm
    across, down = slack
    return [
        ("left", x - margin.left, x, across),
        ("right", sheet.width_mm - margin.right - x, sheet.width_mm - x, across),
        ("top", y - margin.top, y, down),
        ("bottom", sheet.height_mm - margin.bottom - y, sheet.height_mm - y, down),
    ]


def placement_like(frame: Frame, whole: Frame) -> Placement:
    """The shares of free space that put the frame at the same spot as on a reference."""
    across = (whole.right - whole.left) - (frame.right - frame.left)
    down = (whole.bottom - whole.top) - (frame.bottom - frame.top)
    return Placement(_share(frame.left - whole.left, across), _share(frame.top - whole.top, down))


def _share(before: float, free: float) -> float:
    return min(max(before / free, 0.0), 1.0) if free > 1e-9 else 0.5
