"""Depth that is known against depth that is seen.

A level rectangle W wide and D deep (a book, a table's top, a foot's sole), its near edge square to
the sight and at distance d, h below the eye: its near edge is seen W / d wide, its far edge
W / (d + D), and it reaches from h / d to h / (d + D) below the eye level. So, counted in widths of
the near edge,

    seen depth r = h D / (W (d + D)),   far width q = d / (d + D).

The same turned round tells from the seen r and q how high over it the eye is, h = r W / (1 - q),
and from a known shape D / W how far away, d = D q / (1 - q). Lengths in any one unit.
"""

from __future__ import annotations

import math
from dataclasses import dataclass

from zirkel.errors import BadInput

FULL_TURN_DEG = 90.0
SURELY = 2.0
"""Standard deviations from which a depth is said to be drawn as it is known."""


@dataclass(frozen=True, slots=True)
class SeenDepth:
    """What is seen of a level rectangle: its depth and its far edge in widths of its near edge, the
    depth as it is known, and the slope in degrees at which one looks down on its middle."""

    depth: float
    far_width: float
    known: float
    looking_down_deg: float


def seen_depth(height: float, distance: float, width: float, depth: float) -> SeenDepth:
    """From eye height over the surface, distance of the near edge and real size. BadInput for a
    length that isn't one."""
    for name, value in (("distance", distance), ("width", width), ("depth", depth)):
        if not (math.isfinite(value) and value > 0):
            raise BadInput(name, f"{value:g} is no length: give one above 0")
    if not math.isfinite(height):
        raise BadInput("height", f"{height:g} is no height")
    far = distance / (distance + depth)
    return SeenDepth(
        depth=abs(height) * depth / (width * (distance + depth)),
        far_width=far,
        known=depth / width,
        looking_down_deg=math.degrees(math.atan2(height, distance + depth / 2.0)),
    )


@dataclass(frozen=True, slots=True)
class ImpliedView:
    """From where a rectangle is seen so: eye height over it and distance of its near edge, in its
    own widths."""

    height: float
    distance: float


def implied_view(depth: float, far_width: float, known: float) -> ImpliedView:
    """From the seen depth and far edge, in widths of the near edge, and the real depth over width.
    BadInput where no view shows it so."""
    if not 0.0 < far_width < 1.0:
        raise BadInput(
            "far_width", f"{far_width:g}: the far edge is seen shorter than the near one: give a "
            "share between 0 and 1"
        )  # fmt: skip
    for name, value in (("depth", depth), ("known", known)):
        if not (math.isfinite(value) and value > 0):
            raise BadInput(name, f"{value:g} is no ratio: give one above 0")
    return ImpliedView(depth / (1.0 - far_width), known * far_width / (1.0 - far_width))


def drawn_as_known(drawn: float, seen: float, sd: float) -> bool:
    """Whether a depth is drawn longer than it is seen by more than its uncertainty."""
    return drawn - seen > SURELY * sd
