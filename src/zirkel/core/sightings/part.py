"""Part: a landmark at a fraction of the way between two others.

Equation: f = (a.q) / (b.q), with a = at - from, b = to - from, and q the direction of counting:
upright, level, or b itself (projection). For fixed q: df/da = q / b.q and df/db = -f q / b.q;
for q = b: df/da = b / b.b and df/db = (a - 2 f b) / b.b.

The straight form for coming near is (a - f b).q/|q| = 0, with sigma times the length b.q/|q|.
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
"""Least length in units with which a part is weighed while coming near."""


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
        by_at = q / whole
        by_end = np.where(c.free[:, None], a - 2.0 * f * b, -f * q) / whole
        return Equation(f[:, 0], stack(-by_at - by_end, by_end, by_at))

    @classmethod
    def approach(cls, c: Columns, p: Array) -> Approach:
        """(a - f b).q = 0 with q held."""
        a, b = p[:, 2] - p[:, 0], p[:, 1] - p[:, 0]
        q = directions(c, b)
        f = c.reading[:, None]
        stretch = np.maximum(np.abs(dot(b, q)), SHORTEST)
        return Approach(-dot(a - f * b, q), stack((f - 1.0) * q, -f * q, q), stretch)
