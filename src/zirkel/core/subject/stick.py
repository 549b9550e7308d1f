"""The stick held at arm's length: what it covers, and what is read with it.

Equation: a length L seen square on from distance D covers s = L R / D on a stick at reach R. With
the thumb set to the unit, a count is the ratio of what two lengths cover, so reach and distance
cancel as long as neither changes between setting the thumb and counting.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

from zirkel.core.values.fractions import as_a_person_counts

TILT_STEP_DEG = 2.5
"""How finely a tilt is read off the clock face: five minutes."""


@dataclass(frozen=True, slots=True)
class Holding:
    """How the stick is held: the reach, the distance of the subject, and the unit there, in mm."""

    reach_mm: float
    distance_mm: float
    unit_mm: float

    @property
    def unit_on_stick_mm(self) -> float:
        """What the unit covers on the stick."""
        return self.unit_mm * self.reach_mm / self.distance_mm


@dataclass(frozen=True, slots=True)
class Counted:
    """A span stepped off: whole steps, what is left in parts of the thumb's length, and the count
    as exact and as a person would say it."""

    steps: int
    rest: float
    exact: float
    said: float


def step_off(start: Sequence[float], end: Sequence[float], along: str, thumb: float) -> Counted:
    """Count how often the thumb's length goes into start→end, by any measure of place.

    `along` is straight, level or plumb; `thumb` is the unit's length in the same measure;
    ValueError if it isn't above zero.

    >>> step_off((0.0, 0.0), (3.25, 0.4), "level", 1.0).said
    3.25
    """
    if not thumb > 0:
        raise ValueError("set the thumb to the unit first: it has no length yet")
    across, down = end[0] - start[0], end[1] - start[1]
    length = {"straight": math.hypot(across, down), "level": abs(across), "plumb": abs(down)}[along]
    exact = length / thumb
    steps = int(exact)
    return Counted(steps, exact - steps, exact, as_a_person_counts(exact))


def read_tilt(start: Sequence[float], end: Sequence[float]) -> float:
    """The tilt of start→end in degrees clockwise from 12 o'clock, as read off a clock face."""
    exact = math.degrees(math.atan2(end[0] - start[0], start[1] - end[1]))
    return round(exact / TILT_STEP_DEG) * TILT_STEP_DEG % 180.0


def read_offset(start: Sequence[float], end: Sequence[float], axis: int, thumb: float) -> float:
    """How far `end` lies to the right of (axis 0) or below (axis 1) the line hung or laid at
    `start`, in thumbs, as a person would say it."""
    if not thumb > 0:
        raise ValueError("set the thumb to the unit first: it has no length yet")
    exact = (end[axis] - start[axis]) / thumb
    return math.copysign(as_a_person_counts(abs(exact), least=0.0), exact)
