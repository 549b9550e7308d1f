"""Alignments: the plumb drop and the level line, with the offset read across them.

Equation: (1 + e) c.(to - from) = offset with c = (1, 0) for a drop and (0, 1) for a level, and e
the drift of the take: beyond a small one, an offset is stepped off like a span.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import ClassVar, Self

import numpy as np

from zirkel.core.arrays import Array, dot, stack
from zirkel.core.sightings.base import (
    SHORTEST_LENGTH,
    Columns,
    Equation,
    Proposal,
    Sighting,
    landmark,
    number,
    plain_columns,
    take,
)

NEARLY_IN_LINE = 0.3
"""Largest offset, in units, that is judged against a plumb or level and not stepped off."""

UNSURE = 1.5
"""Standard deviations of the offset that have to be within that as well."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Alignment(Sighting):
    """What both alignments share: all but the axis they are read across."""

    value_field: ClassVar[str | None] = "offset"
    family: ClassVar[str] = "alignment"
    axis: ClassVar[int]

    start: str = landmark("from")
    end: str = landmark("to")
    offset: float = number("length", default=0.0, ge=-10_000.0, le=10_000.0)
    take: str | None = take()

    def default_sigma(self, in_mm: bool) -> float:
        """How well an eye judges "straight under", and what stepping off the offset adds."""
        if in_mm:
            return math.hypot(1.0, 0.01 * self.offset)
        return math.hypot(0.03, 0.025 * self.offset)

    @classmethod
    def columns(cls, readings: Sequence[Self], start: Array) -> Columns:
        """The offsets, and the axis as a unit vector for each reading."""
        aim = np.zeros((len(readings), 2))
        aim[np.arange(len(readings)), [each.axis for each in readings]] = 1.0
        return plain_columns(readings)._replace(aim=aim)

    @classmethod
    def equation(cls, c: Columns, p: Array, e: Array) -> Equation:
        """(1 + e) c.(to - from); derivatives (1 + e) c by `to`, minus that by `from`, the offset
        by e."""
        measure = dot(c.aim, p[:, 1] - p[:, 0])
        by_end = (1.0 + e)[:, None] * c.aim
        return Equation((1.0 + e) * measure, stack(-by_end, by_end), measure)

    @classmethod
    def proposals(cls, d: Array, sd: Array, in_mm: bool) -> list[Proposal]:
        """How far off the line through the one the other lies, where they are nearly in line."""
        k = len(d)
        aim = np.zeros((k, 2))
        aim[:, cls.axis] = 1.0
        offset, along = np.abs(d[:, cls.axis]), np.abs(d[:, 1 - cls.axis])
        if in_mm:
            near, apart, sigma = np.inf, 5.0, np.hypot(1.0, 0.01 * offset)
        else:
            near, apart, sigma = NEARLY_IN_LINE, SHORTEST_LENGTH, np.hypot(0.03, 0.025 * offset)
        doable = (offset + UNSURE * sd[:, cls.axis] <= near) & (along > apart)
        columns = Columns(np.zeros(k), aim, np.zeros(k, dtype=bool))
        return [Proposal(None, columns, sigma, doable)]


@dataclass(frozen=True, slots=True, kw_only=True)
class Drop(Alignment):
    """Plumb line: how far right of the line hung from one landmark another lies."""

    kind: ClassVar[str] = "drop"
    axis: ClassVar[int] = 0


@dataclass(frozen=True, slots=True, kw_only=True)
class Level(Alignment):
    """Level line: how far below the line through one landmark another lies."""

    kind: ClassVar[str] = "level"
    axis: ClassVar[int] = 1
