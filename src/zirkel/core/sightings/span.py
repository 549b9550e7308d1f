"""Span: a length stepped off with the stick, in units.

Equation: (1 + e) u.d = units, with d = to - from, e the drift of the take, and u the direction of
measuring: right, left, down or up for level and upright spans, d/|d| for straight ones.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import ClassVar, Self

import numpy as np

from zirkel.core.arrays import Array, dot, stack
from zirkel.core.sightings.base import (
    Columns,
    Equation,
    Proposal,
    Sighting,
    choice,
    directed_columns,
    directions,
    landmark,
    number,
    readable,
    take,
)


@dataclass(frozen=True, slots=True, kw_only=True)
class Span(Sighting):
    """How many units from one landmark to another, straight, level or upright."""

    kind: ClassVar[str] = "span"
    value_field: ClassVar[str | None] = "units"

    start: str = landmark("from")
    end: str = landmark("to")
    along: str = choice("straight", "level", "plumb")
    towards: str | None = choice("right", "left", "down", "up", optional=True)
    units: float = number("length", gt=0.0, le=10_000.0)
    take: str | None = take()

    def default_sigma(self, in_mm: bool) -> float:
        """A floor for the thumbnail's edge and a share of the length for stepping it off."""
        if in_mm:
            return math.hypot(1.0, 0.01 * self.units)
        return math.hypot(0.03, 0.025 * self.units)

    @classmethod
    def columns(cls, readings: Sequence[Self], start: Array) -> Columns:
        """Constant arrays; a span without `towards` runs the way the thumbnail has it."""
        rough = start[:, 1] - start[:, 0]
        signs = np.array([_sign(each, d) for each, d in zip(readings, rough, strict=True)])
        return directed_columns(readings, signs)

    @classmethod
    def equation(cls, c: Columns, p: Array, e: Array) -> Equation:
        """(1 + e) u.d and its derivatives: (1 + e) u by `to`, minus that by `from`, u.d by e."""
        d = p[:, 1] - p[:, 0]
        u = directions(c, d)
        measure = dot(u, d)
        by_end = (1.0 + e)[:, None] * u
        return Equation((1.0 + e) * measure, stack(-by_end, by_end), measure)

    @classmethod
    def proposals(cls, d: Array, sd: Array, in_mm: bool) -> list[Proposal]:
        """Straight, level and upright spans, each towards where the end lies."""
        k = len(d)
        made = []
        for along, axis in (("straight", None), ("level", 0), ("plumb", 1)):
            aim = np.zeros((k, 2))
            if axis is None:
                length = np.hypot(d[:, 0], d[:, 1])
            else:
                length = np.abs(d[:, axis])
                aim[:, axis] = np.where(d[:, axis] < 0, -1.0, 1.0)
            sigma = np.hypot(*((1.0, 0.01 * length) if in_mm else (0.03, 0.025 * length)))
            columns = Columns(length, aim, np.full(k, axis is None))
            made.append(Proposal(along, columns, sigma, readable(length, in_mm)))
        return made


def towards(along: str, dx: float, dy: float) -> str | None:
    """The side on which the end of a span lies, for level and upright ones."""
    if along == "level":
        return "left" if dx < 0 else "right"
    if along == "plumb":
        return "up" if dy < 0 else "down"
    return None


def _sign(reading: Span, rough: Array) -> float:
    if reading.towards is not None:
        return 1.0 if reading.towards in ("right", "down") else -1.0
    across = rough[0] if reading.along == "level" else rough[1]
    return -1.0 if across < 0 else 1.0
