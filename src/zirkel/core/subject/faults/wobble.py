"""Arm wobble: tip and thumb each waver a little.

Equation: two ends that waver by w each, independently, on a stick where the unit covers s: a length
is out by w sqrt(2) / s units; a tilt over a length of l units by w sqrt(2) / (l s) radians.
"""

from __future__ import annotations

import math
from typing import ClassVar

import numpy as np

from zirkel.core.subject.faults.base import Asked, Error, Fault
from zirkel.core.subject.stick import Holding


class Wobble(Fault):
    """The unsteady arm."""

    name: ClassVar[str] = "wobble"
    size_in: ClassVar[str] = "mm"
    usual: ClassVar[float] = 1.0
    most: ClassVar[float] = 10.0

    @classmethod
    def error(cls, size: float, asked: Asked, hold: Holding, rng: np.random.Generator) -> Error:
        """A random shift; over short lengths tilts suffer most."""
        out = size * math.sqrt(2.0) / hold.unit_on_stick_mm
        if asked.kind == "tilt":
            return Error(turn=float(rng.normal(0.0, out / max(asked.length, 0.05))))
        return Error(shift=float(rng.normal(0.0, out)))
