"""Run: a line carried on until it hits something.

Equation: s = (b x a) / |b| = 0, the distance of `hits` from the line through from and to, with
a = hits - from, b = to - from, n the quarter turn of b/|b|: ds/da = n, and ds/db = -tau n with
tau = (a.b) / |b|^2, the share of the way along the line at which it is hit.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import ClassVar, Self

import numpy as np

from zirkel.core.arrays import Array, away_from_zero, dot, quarter_turn, stack
from zirkel.core.sightings.base import Columns, Equation, Sighting, landmark, plain_columns


@dataclass(frozen=True, slots=True, kw_only=True)
class Run(Sighting):
    """A landmark on the line through two others."""

    kind: ClassVar[str] = "run"
    value_field: ClassVar[str | None] = None

    start: str = landmark("from")
    end: str = landmark("to")
    hits: str = landmark("hits")

    def default_sigma(self, in_mm: bool) -> float:
        """Across the line."""
        return 1.5 if in_mm else 0.05

    @classmethod
    def columns(cls, readings: Sequence[Self], start: Array) -> Columns:
        """Nothing was read but that it hits."""
        return plain_columns(readings)

    @classmethod
    def equation(cls, c: Columns, p: Array, e: Array) -> Equation:
        """Distance from the line and its derivatives by from, to and hits."""
        a, b = p[:, 2] - p[:, 0], p[:, 1] - p[:, 0]
        length = away_from_zero(np.hypot(b[:, 0], b[:, 1]))[:, None]
        n = quarter_turn(b) / length
        tau = dot(a, b)[:, None] / length**2
        return Equation(dot(n, a), stack((tau - 1.0) * n, -tau * n, n))
