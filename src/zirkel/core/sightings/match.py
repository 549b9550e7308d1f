"""Match: one length equals another, or so many times it.

Equation: rho = |m1| / |m2| with m = u.d for each pair, unsigned. With s the sign of m:
d rho / d d1 = s1 u1 / |m2| and d rho / d d2 = -rho s2 u2 / |m2|.

The straight form for coming near is |m1| - rho |m2| = 0 with directions held.
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
    number,
    pair,
)

SHORTEST = 0.1
"""Least length in units with which a match is weighed while coming near."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Match(Sighting):
    """This gap equals that one."""

    kind: ClassVar[str] = "match"
    value_field: ClassVar[str | None] = "ratio"

    first: tuple[str, str] = pair()
    second: tuple[str, str] = pair()
    along: str = choice("straight", "level", "plumb")
    ratio: float = number("length", default=1.0, gt=0.0, le=1_000.0)

    def default_sigma(self, in_mm: bool) -> float:
        """Four in a hundred of the ratio."""
        return 0.04 * self.ratio

    @classmethod
    def columns(cls, readings: Sequence[Self], start: Array) -> Columns:
        """The ratios and the directions of measuring."""
        return directed_columns(readings)

    @classmethod
    def equation(cls, c: Columns, p: Array, e: Array) -> Equation:
        """|m1| / |m2| and its derivatives by the four landmarks."""
        u1, m1, u2, m2 = _measures(c, p)
        below = away_from_zero(m2)
        rho = m1 / below
        g1, g2 = u1 / below[:, None], u2 * (-rho / below)[:, None]
        return Equation(rho, stack(-g1, g1, -g2, g2))

    @classmethod
    def approach(cls, c: Columns, p: Array) -> Approach:
        """|m1| - rho |m2| = 0."""
        u1, m1, u2, m2 = _measures(c, p)
        g2 = -c.reading[:, None] * u2
        return Approach(c.reading * m2 - m1, stack(-u1, u1, -g2, g2), np.maximum(m2, SHORTEST))


def _measures(c: Columns, p: Array) -> tuple[Array, Array, Array, Array]:
    """For both pairs at once: direction (k, 2), turned so that the measure comes out positive, and
    measure (k,)."""
    k = len(p)
    d = np.concatenate([p[:, 1] - p[:, 0], p[:, 3] - p[:, 2]])
    twice = Columns(c.reading, np.concatenate([c.aim, c.aim]), np.concatenate([c.free, c.free]))
    u = directions(twice, d)
    signed = dot(u, d)
    u *= np.copysign(1.0, signed)[:, None]
    measure = np.abs(signed)
    return u[:k], measure[:k], u[k:], measure[k:]
