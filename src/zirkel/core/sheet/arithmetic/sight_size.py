"""Sight-size: is the second plumb parallel to the first, and which heights pull across.

Measured apart at the top as a and at the foot as b, over a height h, two lines part by
atan((b - a) / h). On a sheet of width w that shows as that tilt of everything.
"""

from __future__ import annotations

import math
from dataclasses import dataclass

STRAIGHT_DEG = 0.1
"""Below this, two drawn plumbs count as parallel: half a millimetre over 300."""


@dataclass(frozen=True, slots=True)
class Parting:
    """How far two plumbs part, clockwise positive if they open downwards to the right; whether they
    bend in between; and what to do, in words."""

    degrees: float
    bend_mm: float
    parallel: bool
    said: str


def parting(top_mm: float, middle_mm: float, foot_mm: float, height_mm: float) -> Parting:
    """From the distances between two plumbs at top, middle and foot. ValueError for no height."""
    if not height_mm > 0:
        raise ValueError("the height between the measures must be more than 0 mm")
    degrees = math.degrees(math.atan2(foot_mm - top_mm, height_mm))
    bend = middle_mm - (top_mm + foot_mm) / 2.0
    parallel = abs(degrees) <= STRAIGHT_DEG and abs(bend) <= 0.5
    if parallel:
        said = "The two plumbs are parallel."
    elif abs(bend) > 0.5 and abs(bend) > abs(foot_mm - top_mm) / 2.0:
        said = f"One of them is bent: {abs(bend):.1f} mm off in the middle. Draw it again."
    else:
        wider = "foot" if degrees > 0 else "top"
        said = (
            f"They part by {abs(degrees):.2f}°, wider at the {wider}: "
            f"move the foot of the second by {abs(foot_mm - top_mm):.1f} mm."
        )
    return Parting(degrees, bend, parallel, said)
