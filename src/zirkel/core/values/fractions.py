"""Lengths and ratios as wholes and vulgar fractions.

Entered: "1 3/8", "1⅜", "3/4", "1.375", "1,375", "97 mm", "9.7 cm", "2.6 m",
'3 1/2 in', '3 1/2"'.
Spoken: "two and three eighths", "one point two five", "twelve centimetres".
Said: the nearest fraction that a stick could give, if it is near enough.
"""

from __future__ import annotations

import math
import re
import unicodedata
from fractions import Fraction
from typing import NamedTuple

from zirkel.core.values.spoken import as_typed

MM_PER = {"mm": 1.0, "cm": 10.0, "m": 1000.0, "in": 25.4, '"': 25.4, "″": 25.4}
"""Millimetres in each length unit that may be written after a number."""

LONGEST = 40
"""Nobody writes a longer number by hand."""

SAID_DENOMINATORS = (1, 2, 3, 4, 5, 8, 16)

_NUMBER = re.compile(
    r"(?P<sign>[-+−]?)\s*(?:(?P<decimal>\d+[.,]\d*|[.,]\d+)|(?P<whole>\d+)?\s*"
    r"(?:(?P<above>\d+)\s*[/⁄]\s*(?P<below>\d+)|(?P<glyph>[¼-¾⅐-⅞↉]))?)"
    r"\s*(?P<unit>mm|cm|m|in|\"|″)?"
)


class Entered(NamedTuple):
    """A number as entered: its value, in millimetres if a length unit was written after it."""

    value: float
    in_mm: bool


def parse_length(text: str) -> Entered:
    """Read a length or ratio; ValueError says in a sentence what is wrong with it."""
    cleaned = text.strip()
    if len(cleaned) > LONGEST:
        raise ValueError("is far too long for a number: write 1.375, 1 3/8 or 1⅜")
    if re.fullmatch(r"[-+−]?\d+\s*[/⁄]\s*\d+.*", cleaned):
        cleaned = re.sub(r"^([-+−]?)", r"\g<1>0 ", cleaned, count=1)
    found = _NUMBER.fullmatch(cleaned)
    if not cleaned or found is None or not any(found[g] for g in ("decimal", "whole", "glyph")):
        spoken = as_typed(cleaned)
        if spoken is not None and spoken != cleaned:
            return parse_length(spoken)
        raise ValueError(f"“{text}” is not a number: write 1.375, 1 3/8 or 1⅜")
    value = _decimal(found["decimal"]) if found["decimal"] else _mixed(text, found)
    unit = found["unit"]
    signed = -value if found["sign"] in ("-", "−") else value
    return Entered(signed * MM_PER[unit], True) if unit else Entered(signed, False)


def _decimal(text: str) -> float:
    return float(text.replace(",", "."))


def _mixed(text: str, found: re.Match[str]) -> float:
    value = Fraction(found["whole"] or 0)
    if found["below"] is not None:
        if int(found["below"]) == 0:
            raise ValueError(
                f"“{text}” divides by zero: the lower number of a fraction counts parts"
            )
        value += Fraction(int(found["above"]), int(found["below"]))
    elif found["glyph"]:
        value += Fraction(unicodedata.numeric(found["glyph"])).limit_denominator(10)
    return float(value)


class Mixed(NamedTuple):
    """A value as sign, whole and vulgar fraction: -1 3/8 is (True, 1, 3, 8)."""

    negative: bool
    whole: int
    above: int
    below: int


def as_mixed(value: float, off: float = 0.012) -> Mixed | None:
    """The simplest fraction within `off` of the value, or None; 1.37 is 1 3/8 within 0.012."""
    if not math.isfinite(value):
        return None
    size = abs(value)
    for below in SAID_DENOMINATORS:
        above = round(size * below)
        if abs(size - above / below) <= off:
            return Mixed(value < 0 < above, above // below, above % below, below)
    return None


def say_number(value: float) -> str:
    """The value as it is said: "1 3/8" where it is near a fraction, else with two decimals."""
    mixed = as_mixed(value)
    if mixed is None:
        return f"{value:.2f}".rstrip("0").rstrip(".")
    sign = "−" if mixed.negative else ""
    if not mixed.above:
        return f"{sign}{mixed.whole}"
    whole = f"{mixed.whole} " if mixed.whole else ""
    return f"{sign}{whole}{mixed.above}/{mixed.below}"


COUNTED_PARTS = (0.0, 1 / 8, 1 / 4, 1 / 3, 3 / 8, 1 / 2, 5 / 8, 2 / 3, 3 / 4, 7 / 8, 1.0)
"""The parts of a unit in which a person judges what is left over."""

FINE_PARTS_BELOW = 1.0
"""Counts below this are judged to sixteenths as well: there is only one length to look at."""


def as_a_person_counts(exact: float, least: float = 1 / 16) -> float:
    """A count of units, not negative, as a person would say it: a whole and a simple part.

    >>> as_a_person_counts(2.36)
    2.375
    """
    whole = math.floor(exact)
    parts = set(COUNTED_PARTS)
    if exact < FINE_PARTS_BELOW:
        parts |= {n / 16 for n in range(17)}
    return max(whole + min(parts, key=lambda part: abs(exact - whole - part)), least)
