"""Lengths on the sheet as they are said: in millimetres, or in sixteenths of an inch."""

from __future__ import annotations

from fractions import Fraction

INCH_MM = 25.4
SIXTEENTH_MM = INCH_MM / 16.0
"""The finest mark on a rule in inches: nothing is said more finely where inches are said."""


SHOE_MM = 290.0
"""A shoe, where lengths about a room are counted in them: whose it is matters little to who counts
in the same ones again."""


def say_within(mm: float, inches: bool) -> str:
    """How closely a length is known: no finer than a rule shows it, and never as nothing."""
    if inches:
        return say_length(max(mm, SIXTEENTH_MM), True)
    return say_length(mm if mm < 10.0 else round(mm), False)


def say_length(mm: float, inches: bool) -> str:
    """A length in the user's system: "97.5 mm", "3 3/8 in", "−4 1/16 in".

    >>> say_length(-103.2, True)
    '−4 1/16 in'
    >>> say_length(-0.04, False)
    '0 mm'
    """
    size = abs(mm)
    if inches:
        sixteenths = Fraction(round(size / SIXTEENTH_MM), 16)
        whole, rest = divmod(sixteenths, 1)
        parts = [str(whole)] if whole or not rest else []
        parts += [f"{rest.numerator}/{rest.denominator}"] if rest else []
        said, nothing = " ".join(parts) + " in", not sixteenths
    else:
        figures = f"{size:.1f}".removesuffix(".0")
        said, nothing = f"{figures} mm", figures == "0"
    return f"−{said}" if mm < 0 and not nothing else said
