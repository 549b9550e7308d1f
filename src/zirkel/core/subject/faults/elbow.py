"""Elbow creep: the elbow bends as the take goes on, and the stick comes nearer.

Equation: brought nearer by c at reach R, a length on the stick covers R / (R - c) times as much of
the subject, so a count with the thumb left as it was comes to (R - c) / R of the true one: 3 cm at
65 cm cover 65 / 62 = 1.048 as much, and count 4.6 % short.
"""

from __future__ import annotations

from typing import ClassVar

import numpy as np

from zirkel.core.subject.faults.base import Asked, Error, Fault
from zirkel.core.subject.stick import Holding


def covers(reach_mm: float, nearer_mm: float) -> float:
    """How much more of the subject the same length on the stick covers."""
    return reach_mm / (reach_mm - nearer_mm)


class ElbowCreep(Fault):
    """The bent elbow."""

    name: ClassVar[str] = "elbow"
    size_in: ClassVar[str] = "mm"
    usual: ClassVar[float] = 20.0
    most: ClassVar[float] = 120.0

    @classmethod
    def error(cls, size: float, asked: Asked, hold: Holding, rng: np.random.Generator) -> Error:
        """A factor that grows through the take; tilts and alignments don't suffer."""
        if asked.kind != "span":
            return Error()
        return Error(factor=1.0 / covers(hold.reach_mm, size * asked.through_take))
