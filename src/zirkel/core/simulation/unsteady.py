"""A hand with faults: what it makes of a true reading."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.sightings import Sighting, Span
from zirkel.core.simulation.observer import with_value
from zirkel.core.subject.faults import FAULTS, Asked
from zirkel.core.subject.stick import TILT_STEP_DEG, Holding
from zirkel.core.values.fractions import as_a_person_counts


def spoil(
    reading: Sighting,
    truth: Mapping[str, Array],
    hold: Holding,
    faults: Mapping[str, float],
    through_take: float,
    rng: np.random.Generator,
) -> Sighting:
    """The reading with the errors of the faults that are turned on."""
    if reading.value_field is None or not faults:
        return reading
    a, b = (truth[name] for name in reading.landmarks[:2])
    d = b - a
    asked = Asked(
        reading.kind,
        getattr(reading, "along", None),
        float(np.hypot(*d)),
        float(np.arctan2(d[0], -d[1])),
        through_take,
    )
    value = reading.value
    for name, size in faults.items():
        error = FAULTS[name].error(size, asked, hold, rng)
        value = value * error.factor + error.shift + error.turn / reading.inside
    if isinstance(reading, Span):
        value = max(value, 1 / 16)
    if reading.period is not None:
        value %= reading.period / reading.inside
    return with_value(reading, value)


def by_an_unsteady_hand(
    reading: Sighting,
    ends: Sequence[Sequence[float] | Array],
    hold: Holding,
    faults: Mapping[str, float],
    through_take: float,
    rng: np.random.Generator,
) -> Sighting:
    """A true reading of a span, a tilt or an alignment as a hand with faults gives it, said as a
    person says it; `ends` are the two places (2,), in units, between which the stick is held."""
    places = (np.asarray(each, dtype=float) for each in ends)
    truth = dict(zip(reading.landmarks, places, strict=True))
    spoiled = spoil(reading, truth, hold, faults, through_take, rng)
    if spoiled.period is not None:
        said = round(spoiled.value / TILT_STEP_DEG) * TILT_STEP_DEG
        return with_value(spoiled, said % (spoiled.period / spoiled.inside))
    least = 1 / 16 if isinstance(spoiled, Span) else 0.0
    count = as_a_person_counts(abs(spoiled.value), least)
    return with_value(spoiled, count if spoiled.value >= 0 else -count)
