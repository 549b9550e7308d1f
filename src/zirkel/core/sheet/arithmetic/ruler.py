"""A ruler whose zero is not at its end: start at ten, and take ten off again."""

from __future__ import annotations

START_MM, START_INCHES = 100.0, 4
"""Where to begin on a ruler in millimetres, and on one in inches."""


def reads(length_mm: float, start_mm: float = START_MM) -> float:
    """What stands at the far end of a length that begins at `start_mm` of the ruler."""
    return start_mm + length_mm


def end_error(length_mm: float, border_mm: float) -> float:
    """What a length measures too little, in mm, when the ruler's end is taken for its zero, which
    lies `border_mm` inside it."""
    return min(border_mm, length_mm)
