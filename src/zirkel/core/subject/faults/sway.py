"""Swaying eye: the head moves sideways between sighting one end and the other.

Equation: with the stick still at reach R and the subject at D, an eye that moves sideways by e
sees the stick move over the subject by e (D - R) / R the other way: 5 mm at 650 mm and 2600 mm are
15 mm.
"""

from __future__ import annotations

from typing import ClassVar

import numpy as np

from zirkel.core.subject.faults.base import Asked, Error, Fault, sideways
from zirkel.core.subject.stick import Holding


def moves_over_subject(hold: Holding, sideways_mm: float) -> float:
    """By how many mm of the subject the stick seems to move when the eye moves sideways."""
    return sideways_mm * (hold.distance_mm - hold.reach_mm) / hold.reach_mm


class Sway(Fault):
    """The unquiet head."""

    name: ClassVar[str] = "sway"
    size_in: ClassVar[str] = "mm"
    usual: ClassVar[float] = 4.0
    most: ClassVar[float] = 60.0

    @classmethod
    def error(cls, size: float, asked: Asked, hold: Holding, rng: np.random.Generator) -> Error:
        """A random shift sideways: level lengths and plumb drops suffer, upright ones don't."""
        out = float(rng.normal(0.0, moves_over_subject(hold, size) / hold.unit_mm))
        return sideways(asked, out)
