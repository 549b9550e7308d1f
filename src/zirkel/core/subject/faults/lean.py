"""Leaning stick: it points into the scene along a receding edge, and isn't square to the eye.

Equations, with lean a, reach R and what the length covers on the stick s:
the far end of a stick of length q that leans by a is seen at q cos a R / (R + q sin a), so that to
cover s it takes q = s / (cos a - (s / R) sin a), and a count comes out so much larger. A longer
length is stepped off thumb by thumb, each step before the eye again: so s is that of one step.
A tilt t that is carried to the sheet by laying the stick flat about its upright turns into
tan t' = sqrt(sin^2 t cos^2 a + sin^2 a) / (cos t cos a): every tilt comes out flatter.
"""

from __future__ import annotations

import math
from typing import ClassVar

import numpy as np

from zirkel.core.subject.faults.base import Asked, Error, Fault
from zirkel.core.subject.stick import Holding


def longer(covered_mm: float, reach_mm: float, lean_deg: float) -> float:
    """The factor by which a leaning stick overstates what covers so many mm of an upright one."""
    a = math.radians(lean_deg)
    return 1.0 / (math.cos(a) - covered_mm / reach_mm * math.sin(a))


def flatter(tilt: float, lean_deg: float) -> float:
    """By how many radians a tilt (radians clockwise from upright) comes out flatter."""
    a = math.radians(lean_deg)
    across, up = abs(math.sin(tilt)), abs(math.cos(tilt))
    seen = math.atan2(math.hypot(across * math.cos(a), math.sin(a)), up * math.cos(a))
    return seen - math.atan2(across, up)


class Lean(Fault):
    """The stick that points into the scene."""

    name: ClassVar[str] = "lean"
    size_in: ClassVar[str] = "degrees"
    usual: ClassVar[float] = 10.0
    most: ClassVar[float] = 40.0

    @classmethod
    def error(cls, size: float, asked: Asked, hold: Holding, rng: np.random.Generator) -> Error:
        """Longer lengths and flatter tilts, for what isn't hung or laid level."""
        if asked.kind == "tilt":
            way = 1.0 if math.sin(2.0 * asked.tilt) >= 0 else -1.0
            return Error(turn=way * flatter(asked.tilt, size))
        if asked.kind == "span" and asked.along == "straight":
            covered = min(min(asked.length, 1.0) * hold.unit_on_stick_mm, 0.5 * hold.reach_mm)
            return Error(factor=longer(covered, hold.reach_mm, size))
        return Error()
