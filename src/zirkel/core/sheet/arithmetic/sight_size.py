"""Sight-size: is the second plumb parallel to the first, which way to move it, is one bent.

Measured apart at the top as a, in the middle as m and at the foot as b, over a height h, two lines
part by atan((b - a) / h), and one of them bends by m - (a + b) / 2. Both can be so at once. On a
sheet of width w a parting shows as that tilt of everything.
"""

from __future__ import annotations

import math
from dataclasses import dataclass

STRAIGHT_DEG = 0.1
"""Below this, two drawn plumbs count as parallel: half a millimetre over 300."""

BENT_MM = 0.5


@dataclass(frozen=True, slots=True)
class Parting:
    """How far two plumbs part: positive if they open downwards. `apart_mm` is by how much the foot
    is wider than the top, `bend_mm` by how much the middle is wider than it should be."""

    degrees: float
    apart_mm: float
    bend_mm: float

    @property
    def parts(self) -> bool:
        """Whether they part more than a drawn line shows."""
        return abs(self.degrees) > STRAIGHT_DEG

    @property
    def bent(self) -> bool:
        """Whether one of them is bent."""
        return abs(self.bend_mm) > BENT_MM

    @property
    def parallel(self) -> bool:
        """Whether both are straight, and parallel."""
        return not self.parts and not self.bent


def parting(top_mm: float, middle_mm: float, foot_mm: float, height_mm: float) -> Parting:
    """From the distances between two plumbs at top, middle and foot. ValueError for no height."""
    if not height_mm > 0:
        raise ValueError("the height between the measures must be more than 0 mm")
    apart = foot_mm - top_mm
    bend = middle_mm - (top_mm + foot_mm) / 2.0
    return Parting(math.degrees(math.atan2(apart, height_mm)), apart, bend)
