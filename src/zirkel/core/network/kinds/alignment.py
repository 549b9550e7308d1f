"""Alignments: the plumb drop and the level line, with the offset read across them.

Equation: c.(to - from) = offset with c = (1, 0) for a drop and (0, 1) for a level. Exactly linear.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import ClassVar, Self

import numpy as np

from zirkel.core.network.kinds.base import (
    LONGEST_COUNT,
    Array,
    Columns,
    Equation,
    Proposal,
    Sighting,
    Words,
    dot,
    landmark,
    number,
    plain_columns,
    stack,
)


@dataclass(frozen=True, slots=True, kw_only=True)
class Alignment(Sighting):
    """What both alignments share: all but the axis they are read across."""

    value_field: ClassVar[str | None] = "offset"
    family: ClassVar[str] = "alignment"
    axis: ClassVar[int]
    forward: ClassVar[str]
    backward: ClassVar[str]
    straight: ClassVar[str]

    start: str = landmark("from")
    end: str = landmark("to")
    offset: float = number("length", default=0.0, ge=-10_000.0, le=10_000.0)

    def default_sigma(self, in_mm: bool) -> float:
        """How well an eye judges "straight under" and "at the same height"."""
        return 1.0 if in_mm else 0.03

    def said(self, words: Words) -> str:
        """Straight under or level, or how far off."""
        start, end = words.of(self.start), words.of(self.end)
        if self.offset == 0.0:
            return f"{end} {self.straight} {start}"
        way = self.forward if self.offset > 0 else self.backward
        return f"{end} {words.count(abs(self.offset))} {way} {start}"

    @classmethod
    def columns(cls, readings: Sequence[Self], start: Array) -> Columns:
        """The offsets, and the axis as a unit vector for each reading."""
        aim = np.zeros((len(readings), 2))
        aim[np.arange(len(readings)), [each.axis for each in readings]] = 1.0
        return plain_columns(readings)._replace(aim=aim)

    @classmethod
    def equation(cls, c: Columns, p: Array, e: Array) -> Equation:
        """c.(to - from), derivative c by `to` and -c by `from`."""
        return Equation(dot(c.aim, p[:, 1] - p[:, 0]), stack(-c.aim, c.aim))

    @classmethod
    def proposals(cls, d: Array, in_mm: bool) -> list[Proposal]:
        """How far off the line through the one the other lies."""
        k = len(d)
        aim = np.zeros((k, 2))
        aim[:, cls.axis] = 1.0
        near = np.abs(d[:, cls.axis]) < (np.inf if in_mm else LONGEST_COUNT)
        sigma = np.full(k, 1.0 if in_mm else 0.03)
        columns = Columns(np.zeros(k), aim, np.zeros(k, dtype=bool))
        return [Proposal(None, columns, sigma, near)]


@dataclass(frozen=True, slots=True, kw_only=True)
class Drop(Alignment):
    """Plumb line: how far right of the line hung from one landmark another lies."""

    kind: ClassVar[str] = "drop"
    axis: ClassVar[int] = 0
    forward: ClassVar[str] = "right of the plumb from"
    backward: ClassVar[str] = "left of the plumb from"
    straight: ClassVar[str] = "on the plumb from"

    @classmethod
    def asked(cls, start: str, end: str, along: str | None, towards: str | None) -> str:
        """What to judge against the plumb."""
        return f"Hang the plumb from {start}. How far right or left of it is {end}?"


@dataclass(frozen=True, slots=True, kw_only=True)
class Level(Alignment):
    """Level line: how far below the line through one landmark another lies."""

    kind: ClassVar[str] = "level"
    axis: ClassVar[int] = 1
    forward: ClassVar[str] = "lower than"
    backward: ClassVar[str] = "higher than"
    straight: ClassVar[str] = "level with"

    @classmethod
    def asked(cls, start: str, end: str, along: str | None, towards: str | None) -> str:
        """What to judge against the level line."""
        return f"Hold the stick level at {start}. How much higher or lower is {end}?"
