"""What an artist's drawings do over and over: the same fault, the same way, at the first check of
most of the last few.

A fault counts once a drawing, as the first check found it: what later ones still find is how well
it was repaired. Three of five are told: by chance alone, with a dozen kinds and two ways of each,
that happens in fewer than one in fifty artists whose every drawing has one fault.
"""

from __future__ import annotations

from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass

from zirkel.core.drawn import KeptCheck

LAST, LEAST, MOST = 5, 3, 0.6
"""How many drawings are looked at; in how many of them, and in which share, it must stand."""

TRAINED_BY: dict[str, str] = {
    "size": "widths",
    "growth": "widths",
    "group_size": "block_in",
    "wide": "box",
    "tall": "box",
    "stretch": "box",
    "tilt": "tilt",
    "lean": "tilt",
    "group_tilt": "tilt",
    "uprights": "tilt",
    "depth": "roundness",
    "flat": "roundness",
    "bend": "plumb",
}
"""By which exercise a habit is practised away."""


@dataclass(frozen=True, slots=True)
class Habit:
    """A kind of fault and its way, in so many of the last few drawings."""

    kind: str
    way: str
    times: int
    of: int


def habits(firsts: Sequence[KeptCheck]) -> tuple[Habit, ...]:
    """What stands in most of the last drawings' first checks, latest drawing first; the most
    frequent first."""
    last = firsts[:LAST]
    counted = Counter(
        each for check in last for each in {(one.kind, one.way) for one in check.faults if one.way}
    )
    return tuple(
        Habit(kind, way, times, len(last))
        for (kind, way), times in counted.most_common()
        if times >= LEAST and times >= MOST * len(last)
    )
