"""Part: a landmark at a fraction of the way between two others.

Equation: f = (a.q) / (b.q), with a = at - from, b = to - from, and q the direction of counting:
upright, level, or b itself (projection). For fixed q: df/da = q / b.q and df/db = -f q / b.q;
for q = b: df/da = b / b.b and df/db = (a - 2 f b) / b.b.

The straight form for coming near is (a - f b).q/|q| = 0, with sigma times the length b.q/|q|.

Where the whole is shorter than SHORTEST, as when something is halved across two points that stand
plumb, no hand parts it to a share of that length: there the equation is the straight form over
SHORTEST, so that such a reading weighs no more than one of a whole so long.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import ClassVar, Self

import numpy as np

from zirkel.core.arrays import Array, away_from_zero, dot, stack
from zirkel.core.sightings.base import (
    Approach,
    Columns,
    Equation,
    Sighting,
    choice,
    directed_columns,
    directions,
    landmark,
    number,
)

SHORTEST = 0.1
"""Least length in units with which a part is weighed."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Part(Sighting):
    """Halves, thirds and quarters, by stick or by eye."""

    kind: ClassVar[str] = "part"
    value_field: ClassVar[str | None] = "fraction"

    start: str = landmark("from")
    end: str = landmark("to")
    at: str = landmark("at")
    along: str = choice("straight", "level", "plumb")
    fraction: float = number("fraction", ge=-10.0, le=10.0)

    def default_sigma(self, in_mm: bool) -> float:
        """Three hundredths of the whole."""
        return 0.03

    @classmethod
    def columns(cls, readings: Sequence[Self], start: Array) -> Columns:
        """The fractions and the directions of counting."""
        return directed_columns(readings)

    @classmethod
    def equation(cls, c: Columns, p: Array, e: Array) -> Equation:
        """(a.q) / (b.q) and its derivatives by from, to and at."""
        a, b = p[:, 2] - p[:, 0], p[:, 1] - p[:, 0]
        q = np.where(c.free[:, None], b, c.aim)
        whole = away_from_zero(dot(b, q))[:, None]
        f = dot(a, q)[:, None] / whole
        reach = np.where(c.free, SHORTEST**2, SHORTEST)[:, None]
        short = np.abs(whole) < reach
        # Over so short a whole the share read stands for the one there is.
        f0 = c.reading[:, None]
        over = np.where(short, np.where(dot(b, q)[:, None] < 0.0, -reach, reach), whole)
        f = np.where(short, f0 + dot(a - f0 * b, q)[:, None] / over, f)
        share = np.where(short, f0, f)
        by_at = q / over
        by_end = np.where(c.free[:, None], a - 2.0 * share * b, -share * q) / over
        return Equation(f[:, 0], stack(-by_at - by_end, by_end, by_at))

    @classmethod
    def approach(cls, c: Columns, p: Array) -> Approach:
        """(a - f b).q = 0 with q held."""
        a, b = p[:, 2] - p[:, 0], p[:, 1] - p[:, 0]
        q = directions(c, b)
        f = c.reading[:, None]
        stretch = np.maximum(np.abs(dot(b, q)), SHORTEST)
        return Approach(-dot(a - f * b, q), stack((f - 1.0) * q, -f * q, q), stretch)
