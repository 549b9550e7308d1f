"""How finely an artist counts, found from the readings: all at quarters, all at half hours.

Who counts in eighths hits a quarter every other time: that all of k readings do so by chance has a
probability of 2^-k. FEWEST of them leave one in a thousand. Whole numbers, and the nothing of what
stands plumb or level, are multiples of everything, and tell nothing.
"""

from __future__ import annotations

from collections.abc import Sequence

from zirkel.core.artist import CountedTo
from zirkel.core.network.sigmas import COUNTED
from zirkel.core.study import Study, UnitLength

FEWEST = 10
TO_UNITS = (1.0 / 2.0, 1.0 / 3.0, 1.0 / 4.0)
"""Steps of a unit that are coarse enough to matter, the coarsest first."""

TO_DEGREES = (30.0, 15.0, 10.0, 7.5, 5.0)
"""Hours, half hours, tens, quarters of an hour, fives."""

NEAR = 1e-3


def counting(study: Study) -> CountedTo | None:
    """To what the readings are counted; None where they are too few, or finer than that."""
    held = [each for each in study.sightings if not each.struck and each.sigma is None]
    counted = [each.value for each in held if each.kind in COUNTED]
    tilts = [each.value for each in held if each.kind == "tilt"]
    units = None if isinstance(study.unit, UnitLength) else _step(counted, TO_UNITS, 1.0)
    degrees = _step(tilts, TO_DEGREES, 90.0)
    return None if units is None and degrees is None else CountedTo(units, degrees)


def _step(values: Sequence[float], steps: Sequence[float], plain: float) -> float | None:
    """The coarsest step that all keep to; what is a multiple of `plain` tells nothing."""
    telling = [each for each in values if not _on(each, plain)]
    if len(telling) < FEWEST:
        return None
    return next((step for step in steps if all(_on(each, step) for each in telling)), None)


def _on(value: float, step: float) -> bool:
    return abs(value / step - round(value / step)) * step <= NEAR * max(step, 1.0)
