"""The kinds of sighting, one module each; this list is all that a new one has to join."""

from __future__ import annotations

from zirkel.core.sightings.alignment import Drop, Level
from zirkel.core.sightings.base import Sighting
from zirkel.core.sightings.match import Match
from zirkel.core.sightings.order import Order
from zirkel.core.sightings.parallel import Parallel
from zirkel.core.sightings.part import Part
from zirkel.core.sightings.run import Run
from zirkel.core.sightings.span import Span
from zirkel.core.sightings.tilt import Tilt

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
