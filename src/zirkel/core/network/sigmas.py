"""What a reading errs by: its own, its kind's, and the rounding of who counts to whole steps; and
what a hand does always, taken out before readings are adjusted."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import replace
from typing import Any

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.artist import Leanings
from zirkel.core.sightings import Sighting
from zirkel.core.study import Study, UnitLength

COUNTED = ("span", "drop", "level")
"""Kinds that are read by counting, in units or mm."""


def sigma_of(sighting: Sighting, study: Study) -> float:
    """One standard deviation of a reading in the file's own unit: its own, or the default times
    the trust set for its kind; and the rounding of who counts to whole steps, whose variance is
    step^2 / 12."""
    if sighting.sigma is not None:
        return sighting.sigma
    in_mm = isinstance(study.unit, UnitLength)
    read = sighting.default_sigma(in_mm) * study.trust.get(sighting.kind, 1.0)
    return math.hypot(read, rounding(sighting.kind, study))


def rounding(kind: str, study: Study) -> float:
    """One standard deviation, in the file's own unit, of counting to whole steps in readings of
    this kind; 0 where that isn't known."""
    counted = study.counted_to
    if counted is None:
        return 0.0
    step = counted.degrees if kind == "tilt" else counted.units if kind in COUNTED else None
    return (step or 0.0) / math.sqrt(12.0)


def sigmas(sightings: Sequence[Sighting], study: Study) -> Array:
    """(k,) standard deviations in the unit computed with."""
    return np.array([sigma_of(s, study) * s.inside for s in sightings], dtype=float)


def upright(sightings: Sequence[Sighting], leanings: Leanings | None) -> list[Sighting]:
    """The readings as a hand without these leanings would have taken them."""
    if leanings is None:
        return list(sightings)
    return [_upright(each, leanings) for each in sightings]


def _upright(sighting: Sighting, leanings: Leanings) -> Sighting:
    if sighting.value_field is None:
        return sighting
    value = sighting.value
    if sighting.kind in COUNTED:
        value /= 1.0 + leanings.length
    elif sighting.kind == "tilt":
        value = (value - leanings.tilt_degrees) % 180.0
    changed: dict[str, Any] = {sighting.value_field: value}
    return replace(sighting, **changed)
