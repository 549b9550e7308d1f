"""Receding lines without their vanishing point: ticks along the sheet's left and right edges.
Lines to a vanishing point (vx, vy) cut two uprights x = l and x = r in proportion: what lies d
above or below vy on the one lies d (r - vx) / (l - vx) above or below it on the other. So even
ticks on the edge that is further from the point, and their partners on the nearer one, give the
right convergence to any line drawn between them by eye: a line through matching ticks goes through
the point, wherever it is. A family that stays parallel has ticks as far apart on both edges."""

from __future__ import annotations

import math
from dataclasses import dataclass

import numpy as np

from zirkel.core.arrays import Array

LEAST_APART_MM, MOST_TICKS = 6.0, 15
"""Ticks nearer to each other than this can't be told apart; more than so many are a comb."""

STEPS_MM = (10.0, 20.0, 25.0, 50.0, 100.0)
ON_SHEET_MM = 5.0
"""A vanishing point that is hardly off the sheet needs no ticks."""


@dataclass(frozen=True, slots=True)
class EdgeTicks:
    """Matching ticks: mm from the sheet's top edge along its left edge and its right edge."""

    left_mm: tuple[float, ...]
    right_mm: tuple[float, ...]


def edge_ticks(
    point: tuple[float, float] | None, direction_deg: float | None, width: float, height: float
) -> EdgeTicks | None:
    """Ticks for a family that vanishes at a point (mm on the sheet), or stays parallel at a
    direction (degrees from upright). None where the point is on the sheet, or lines run up and
    down: there the edges tell nothing."""
    if point is None:
        if direction_deg is None or abs(math.sin(math.radians(direction_deg))) < 0.2:
            return None
        drop = -width / math.tan(math.radians(direction_deg)) if direction_deg % 90.0 else 0.0
        return _matching(0.0, 1.0, drop, height)
    vx, vy = point
    if -ON_SHEET_MM < vx < width + ON_SHEET_MM:
        return None
    if vx >= width:
        # The left edge is the further one: even ticks there.
        return _matching(vy, (width - vx) / (0.0 - vx), 0.0, height)
    made = _matching(vy, (0.0 - vx) / (width - vx), 0.0, height)
    return None if made is None else EdgeTicks(made.right_mm, made.left_mm)


def _matching(vy: float, shrink: float, drop: float, height: float) -> EdgeTicks | None:
    """Even ticks over the whole of the further edge, counted from the eye level where that lies on
    it, with their partners where those are on the sheet too."""
    step = next(
        (s for s in STEPS_MM if s * shrink >= LEAST_APART_MM and height / s <= MOST_TICKS), None
    )
    if step is None:
        step = max(STEPS_MM[-1], height / MOST_TICKS)
    begin = vy % step if math.isfinite(vy) else 0.0
    far: Array = np.arange(begin, height + 1e-9, step)
    near = vy + (far - vy) * shrink + drop
    seen = (near >= 0.0) & (near <= height)
    if int(seen.sum()) < 2:
        return None
    return EdgeTicks(tuple(far[seen].tolist()), tuple(near[seen].tolist()))
