"""Parallel: two edges with the same tilt.

Equation: the tilt of the first less that of the second, mod pi, is 0; derivatives as for a tilt.

Coming near uses (d1 x d2) / |d2| = 0, with sigma times |d1|, as angles between wrong directions
pull the wrong way round.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import ClassVar, Self

import numpy as np

from zirkel.core.arrays import Array, away_from_zero, cross, dot, quarter_turn, stack
from zirkel.core.sightings.base import Approach, Columns, Equation, Sighting, pair, plain_columns

SHORTEST = 0.1
"""Least length in units with which a parallel is weighed while coming near."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Parallel(Sighting):
    """Two edges that lean alike."""

    kind: ClassVar[str] = "parallel"
    value_field: ClassVar[str | None] = None
    inside: ClassVar[float] = math.pi / 180.0
    period: ClassVar[float | None] = math.pi

    first: tuple[str, str] = pair()
    second: tuple[str, str] = pair()

    def default_sigma(self, in_mm: bool) -> float:
        """A carried angle and a seen one: two and a half degrees."""
        return 2.5

    @classmethod
    def columns(cls, readings: Sequence[Self], start: Array) -> Columns:
        """Nothing was read but that they lean alike."""
        return plain_columns(readings)

    @classmethod
    def equation(cls, c: Columns, p: Array, e: Array) -> Equation:
        """Difference of the two tilts and its derivatives by the four landmarks."""
        t1, g1 = _tilt(p[:, 1] - p[:, 0])
        t2, g2 = _tilt(p[:, 3] - p[:, 2])
        return Equation(t1 - t2, stack(-g1, g1, g2, -g2))

    @classmethod
    def approach(cls, c: Columns, p: Array) -> Approach:
        """(d1 x d2) / |d2|, with the second edge's length held."""
        d1, d2 = p[:, 1] - p[:, 0], p[:, 3] - p[:, 2]
        length = np.maximum(np.hypot(d2[:, 0], d2[:, 1]), SHORTEST)[:, None]
        g1, g2 = -quarter_turn(d2) / length, quarter_turn(d1) / length
        stretch = np.maximum(np.hypot(d1[:, 0], d1[:, 1]), SHORTEST)
        return Approach(-cross(d1, d2) / length[:, 0], stack(-g1, g1, -g2, g2), stretch)


def _tilt(d: Array) -> tuple[Array, Array]:
    return np.arctan2(d[:, 0], -d[:, 1]), quarter_turn(d) / away_from_zero(dot(d, d))[:, None]
