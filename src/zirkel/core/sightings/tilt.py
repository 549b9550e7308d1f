"""Tilt: the direction of an edge in the picture plane, as an hour or in degrees.

Equation: t = atan2(dx, -dy) mod pi, clockwise from 12 o'clock, with d = to - from.
Its derivative by d is the quarter turn (-dy, dx) / |d|^2.

Far from the solution the angle is badly curved, so coming near uses the straight form n.d = 0
with n = (cos t, sin t), the normal of the tilt that was read; its sigma is that of the angle times
the length.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import ClassVar, Self

import numpy as np

from zirkel.core.arrays import Array, away_from_zero, dot, quarter_turn, stack
from zirkel.core.sightings.base import (
    Approach,
    Columns,
    Equation,
    Proposal,
    Sighting,
    landmark,
    number,
    plain_columns,
    readable,
)

SHORTEST = 0.1
"""Least length in units with which a tilt is weighed while coming near."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Tilt(Sighting):
    """How an edge leans, clockwise from upright."""

    kind: ClassVar[str] = "tilt"
    value_field: ClassVar[str | None] = "degrees"
    inside: ClassVar[float] = math.pi / 180.0
    period: ClassVar[float | None] = math.pi

    start: str = landmark("from")
    end: str = landmark("to")
    degrees: float = number("tilt", ge=0.0, lt=180.0)

    def default_sigma(self, in_mm: bool) -> float:
        """Two degrees, as a stick is carried."""
        return 2.0

    @classmethod
    def columns(cls, readings: Sequence[Self], start: Array) -> Columns:
        """The readings in radians, and the normals of the tilts that were read."""
        plain = plain_columns(readings)
        normals = np.stack([np.cos(plain.reading), np.sin(plain.reading)], axis=1)
        return plain._replace(aim=normals)

    @classmethod
    def equation(cls, c: Columns, p: Array, e: Array) -> Equation:
        """atan2(dx, -dy) and its derivative, the quarter turn of d over |d|^2."""
        d = p[:, 1] - p[:, 0]
        by_end = quarter_turn(d) / away_from_zero(dot(d, d))[:, None]
        return Equation(np.arctan2(d[:, 0], -d[:, 1]), stack(-by_end, by_end))

    @classmethod
    def approach(cls, c: Columns, p: Array) -> Approach:
        """n.d = 0: straight in the places, however wrong they still are."""
        d = p[:, 1] - p[:, 0]
        stretch = np.maximum(np.hypot(d[:, 0], d[:, 1]), SHORTEST)
        return Approach(-dot(c.aim, d), stack(-c.aim, c.aim), stretch)

    @classmethod
    def proposals(cls, d: Array, sd: Array, in_mm: bool) -> list[Proposal]:
        """The tilt from the one to the other."""
        k = len(d)
        columns = Columns(np.zeros(k), np.zeros((k, 2)), np.zeros(k, dtype=bool))
        sigma = np.full(k, 2.0 * cls.inside)
        return [Proposal(None, columns, sigma, readable(np.hypot(d[:, 0], d[:, 1]), in_mm))]
