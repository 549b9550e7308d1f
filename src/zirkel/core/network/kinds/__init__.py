"""The kinds of sighting, one module each; this list is all that a new one has to join."""

from __future__ import annotations

from zirkel.core.network.kinds.alignment import Drop, Level
from zirkel.core.network.kinds.base import Sighting
from zirkel.core.network.kinds.match import Match
from zirkel.core.network.kinds.order import Order
from zirkel.core.network.kinds.parallel import Parallel
from zirkel.core.network.kinds.part import Part
from zirkel.core.network.kinds.run import Run
from zirkel.core.network.kinds.span import Span
from zirkel.core.network.kinds.tilt import Tilt

KINDS: dict[str, type[Sighting]] = {
    each.kind: each for each in (Span, Tilt, Drop, Level, Part, Run, Match, Parallel, Order)
}

__all__ = [
    "KINDS",
    "Drop",
    "Level",
    "Match",
    "Order",
    "Parallel",
    "Part",
    "Run",
    "Sighting",
    "Span",
    "Tilt",
]
