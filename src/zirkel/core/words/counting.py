"""What is said of how finely an artist counts."""

from __future__ import annotations

from zirkel.core.artist import CountedTo

UNITS = {2: "halves", 3: "thirds", 4: "quarters"}
DEGREES = {30.0: "whole hours", 15.0: "half hours", 7.5: "quarters of an hour"}


def say_counting(found: CountedTo) -> str:
    """In which steps, and what that does to the areas."""
    told = []
    if found.units is not None:
        told.append(f"count in {UNITS[round(1.0 / found.units)]}")
    if found.degrees is not None:
        told.append(f"read tilts to {DEGREES.get(found.degrees, f'{found.degrees:g}°')}")
    return f"You {' and '.join(told)}: so the areas are to be that much wider."
