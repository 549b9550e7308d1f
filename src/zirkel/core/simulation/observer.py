"""An honest observer: takes readings of a subject whose true places are known.

The true value of a reading is what its own kind's equation gives at the true places under the
take's true drift; the observer adds noise of the reading's default sigma and rounds as a person
would: lengths and offsets to sixteenths, tilts to five minutes of the clock, fractions and ratios
to hundredths.
"""

from __future__ import annotations

import math
from collections.abc import Mapping
from dataclasses import replace
from typing import Any

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.sightings import Sighting

TILT_STEP_DEG = 2.5
LENGTH_STEP = 1.0 / 16.0
SHARE_STEP = 0.01


def true_value(reading: Sighting, truth: Mapping[str, Array], drift: float = 0.0) -> float:
    """What the reading would say without any error, in the file's unit."""
    p = np.array([[truth[name] for name in reading.landmarks]], dtype=float)
    columns = type(reading).columns([reading], p)
    fitted = float(type(reading).equation(columns, p, np.array([drift])).fitted[0])
    value = fitted / reading.inside
    return value if reading.period is None else value % (reading.period / reading.inside)


def observe(
    reading: Sighting,
    truth: Mapping[str, Array],
    rng: np.random.Generator,
    drift: float = 0.0,
    rounded: bool = True,
) -> Sighting:
    """The reading with the value that the observer reads."""
    if reading.value_field is None:
        return reading
    value = true_value(reading, truth, drift)
    exact = with_value(reading, max(value, 1e-3) if _length(reading) else value)
    sigma = reading.sigma or exact.default_sigma(in_mm=False)
    if rounded:
        step = _step(reading)
        # The usual error is what a reading ends up with: part of it comes from rounding.
        sigma = math.sqrt(max(sigma**2 - step**2 / 12.0, 0.25 * sigma**2))
        read = round((value + rng.normal(0.0, sigma)) / step) * step
        read = max(read, step) if _length(reading) else read
    else:
        read = value + rng.normal(0.0, sigma)
    if reading.period is not None:
        read %= reading.period / reading.inside
    return with_value(reading, read)


def with_value(reading: Sighting, value: float) -> Sighting:
    """The reading saying something else; unchanged where its kind has no value."""
    if reading.value_field is None:
        return reading
    changed: dict[str, Any] = {reading.value_field: value}
    return replace(reading, **changed)


def _length(reading: Sighting) -> bool:
    return reading.value_field in ("units", "ratio")


def _step(reading: Sighting) -> float:
    if reading.period is not None:
        return TILT_STEP_DEG
    return SHARE_STEP if reading.value_field in ("fraction", "ratio") else LENGTH_STEP
