"""Where the artist's eye must have been, as far as the edges tell.

Two families that are level and square to each other in reality vanish at x1 and x2 on the eye
level. Lines from the eye to those two points are as square as the edges, so the eye lies on the
half-circle over them (Thales): with the middle of the view at x0, its distance from the picture is

    F = sqrt((x0 - x1) (x2 - x0)),

counted in units as the picture is; where the unit's own length is at its own distance, the eye
stands F such lengths away. What the middle of the view was is not seen: the middle of the drawing
is taken, and F's uncertainty tells how much hangs on that. A picture seen from elsewhere: nearer by
a share s brings the vanishing points in by it.
"""

from __future__ import annotations

import math
from dataclasses import dataclass

from zirkel.core.network.families import Perspective, SeenFamily

MIDDLE_SHARE = 0.1
"""How far the middle of the view may be from that of the drawing, as a share of its width, one
standard deviation."""


@dataclass(frozen=True, slots=True)
class EyePlace:
    """The eye's distance in units and its sd, from which two families, at which x it looks."""

    distance: float
    sd: float
    first: str
    second: str
    middle: float

    @property
    def share(self) -> float:
        """The sd as a share of the distance."""
        return self.sd / self.distance


def eye_place(found: Perspective, left: float, right: float) -> EyePlace | None:
    """From the best pair of level families, one vanishing to either side of the drawing's middle;
    `left` and `right` are the drawing's extent. None where no pair tells."""
    middle = (left + right) / 2.0
    told = [f for f in found.families if f.level and f.sort == "edges" and f.point and f.sd]
    best: EyePlace | None = None
    for i, first in enumerate(told):
        for second in told[i + 1 :]:
            made = _from_two(first, second, middle, MIDDLE_SHARE * (right - left))
            if made is not None and (
                best is None or made.sd * best.distance < best.sd * made.distance
            ):
                best = made
    return best


def _from_two(
    first: SeenFamily, second: SeenFamily, middle: float, middle_sd: float
) -> EyePlace | None:
    assert first.point and second.point and first.sd and second.sd
    a, b = middle - first.point[0], second.point[0] - middle
    square = a * b
    if square <= 0.0:
        return None
    distance = math.sqrt(square)
    # dF = (b da + a db + (b - a) dmiddle) / (2 F), the two points taken as independent.
    spread = math.hypot(b * first.sd[0], a * second.sd[0], (b - a) * middle_sd)
    return EyePlace(distance, spread / (2.0 * distance), first.name, second.name, middle)
