"""Tilts as hours on a clock face or in degrees, clockwise from upright, undirected.

Entered: "10 h", "10:30", "half past one", "quarter to 4", "4 o'clock", "45", "45°", "1 1/2 h".
A bare number up to 12 is an hour, beyond that degrees; degrees up to 12 need their sign ("8°").
Hours h stand at 30 h degrees; 10 o'clock and 4 o'clock are one tilt.
"""

from __future__ import annotations

import math
import re
from collections.abc import Sequence

from zirkel.core.values.fractions import parse_length
from zirkel.core.values.spoken import as_hour, as_typed

DEGREES_PER_HOUR = 30.0
HOURS = (
    *("twelve", "one", "two", "three", "four", "five"),
    *("six", "seven", "eight", "nine", "ten", "eleven"),
)

_CLOCK = re.compile(r"(\d{1,2}):(\d{2})(?:\s*h)?")
_HOURS = re.compile(r"(.+?)\s*(?:h|o['’]?\s*clock|hours?)")
_SPOKEN = re.compile(r"(half past|quarter past|quarter to)\s+(\w+)(?:\s*o['’]?\s*clock)?")
_MINUTES = {"half past": 30, "quarter past": 15, "quarter to": -15}


def parse_tilt(text: str) -> float:
    """Degrees, 0 <= t < 180; ValueError says in a sentence what is wrong with it."""
    said = text.strip().lower()
    said = as_hour(said) or said
    if said.endswith(("degrees", "degree")):
        said = as_typed(said) or said
    hours = _hours(said)
    if hours is not None:
        return hours * DEGREES_PER_HOUR % 180.0
    try:
        entered = parse_length(said.removesuffix("°").removesuffix("deg"))
    except ValueError:
        entered = None
    if entered is None or entered.in_mm:
        raise ValueError(
            f"“{text}” is not a tilt: write 10:30, 4 h, half past one, or degrees as 45°"
        )
    if not said.endswith(("°", "deg")) and 0.0 <= entered.value <= 12.0:
        return entered.value * DEGREES_PER_HOUR % 180.0
    if not -180.0 <= entered.value <= 360.0:
        raise ValueError(f"“{text}” degrees is more than a full turn: a tilt is from 0 to 180")
    return entered.value % 180.0


def _hours(said: str) -> float | None:
    if found := _CLOCK.fullmatch(said):
        hours, minutes = int(found[1]), int(found[2])
        return hours + minutes / 60 if hours <= 12 and minutes < 60 else None
    if found := _SPOKEN.fullmatch(said):
        hour = _hour(found[2])
        return None if hour is None else hour + _MINUTES[found[1]] / 60
    if found := _HOURS.fullmatch(said):
        hour = _hour(found[1])
        return hour if hour is not None and 0 <= hour <= 12 else None
    return None


def _hour(word: str) -> float | None:
    if word in HOURS:
        return float(HOURS.index(word))
    try:
        entered = parse_length(word)
    except ValueError:
        return None
    return None if entered.in_mm else entered.value


def say_tilt(degrees: float, to_minutes: int = 5) -> str:
    """The tilt on the clock face, to five minutes unless told: 45 is "1:30", 120 is "4:00"."""
    minutes = round(degrees % 180.0 * 2.0 / to_minutes) * to_minutes
    hours, rest = divmod(minutes, 60)
    return f"{hours % 6 or (12 if hours == 0 else 6)}:{rest:02d}"


def tilt_of(start: Sequence[float], end: Sequence[float]) -> float:
    """The tilt of start→end in degrees, from places with x right and y down."""
    dx, dy = float(end[0] - start[0]), float(end[1] - start[1])
    return math.degrees(math.atan2(dx, -dy)) % 180.0
