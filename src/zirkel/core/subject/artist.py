"""A simulated artist: sights a scene as the prompter says, with a steady or an unsteady hand.

The artist taps a rough thumbnail, then again and again asks what to sight next, takes the first
few of the answers, and last takes what would check the unchecked. Every reading is the true one of
what is seen, with the usual error of its kind, as the honest observer reads it, and whatever faults
of the hand are turned on. After every so many readings a new take begins, with a drift of its own.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Any

import numpy as np

from zirkel.core.network.adjust import adjust
from zirkel.core.network.kinds import KINDS, Sighting, Span
from zirkel.core.network.kinds.base import Array
from zirkel.core.network.what_next import Suggestion, what_next
from zirkel.core.study import Landmark, Sheet, SimulatedSubject, Study
from zirkel.core.subject.faults import FAULTS, Asked
from zirkel.core.subject.observer import observe, with_value
from zirkel.core.subject.picture import visible
from zirkel.core.subject.scene import (
    Scene,
    landmark_points,
    seen_landmarks,
    truth_in_units,
    unit_length,
    view_of,
)
from zirkel.core.subject.station import Station
from zirkel.core.subject.stick import TILT_STEP_DEG, Holding
from zirkel.core.values.fractions import as_a_person_counts

AT_A_TIME = 4
"""How many suggestions are taken before asking again."""

ALONG_IN_FILE = {"straight", "level", "plumb"}


@dataclass(frozen=True, slots=True)
class Hand:
    """How the artist works: readings per landmark, how far off the thumbnail is tapped in units,
    readings in a take, the takes' drifts, and faults with their sizes."""

    per_landmark: float = 2.6
    tap_error: float = 0.06
    take_length: int = 24
    drift_sd: float = 0.015
    faults: Mapping[str, float] | None = None


def holding(scene: Scene, station: Station) -> Holding:
    """How the stick is held at the station: the unit's size at the middle of the scene."""
    seen = seen_landmarks(scene, station)
    unit_mm = unit_length(seen, scene.unit) * station.distance_mm
    return Holding(station.reach_mm, station.distance_mm, unit_mm)


def sightable(scene: Scene, station: Station) -> list[str]:
    """Ids of the landmarks that nothing hides from the station."""
    points = landmark_points(scene, view_of(scene, station))
    clear = visible(scene, station, np.array(list(points.values())))
    return [name for name, seen in zip(points, clear, strict=True) if seen]


def fresh_study(
    scene: Scene, station: Station, sheet: Sheet, tap_error: float, rng: np.random.Generator
) -> Study:
    """A study of the scene with a thumbnail tapped roughly, and no readings yet."""
    seen = seen_landmarks(scene, station)
    truth = truth_in_units(seen, scene.unit)
    names = set(sightable(scene, station)) | {scene.unit.start, scene.unit.end}
    landmarks = []
    for each in scene.landmarks:
        if each.id in names:
            tapped = truth[each.id] + rng.normal(0.0, tap_error, 2)
            rough = (round(float(tapped[0]), 3), round(float(tapped[1]), 3))
            landmarks.append(Landmark(each.id, each.name, each.tier, rough))
    shapes = tuple(
        replace(each, outline=kept)
        for each in scene.shapes
        if len(kept := tuple(name for name in each.outline if name in names)) > 1
    )
    return Study(
        title=scene.title,
        method="comparative",
        sheet=sheet,
        unit=scene.unit,
        landmarks=tuple(landmarks),
        shapes=shapes,
        subject=SimulatedSubject(scene.name, station),
    )


def sight_scene(
    scene: Scene, station: Station, sheet: Sheet, seed: int, hand: Hand | None = None
) -> Study:
    """The study that a simulated artist makes of the scene."""
    hand = hand or Hand()
    rng = np.random.default_rng(seed)
    study = fresh_study(scene, station, sheet, hand.tap_error, rng)
    truth = truth_in_units(seen_landmarks(scene, station), scene.unit)
    hold = holding(scene, station)
    wanted = round(hand.per_landmark * len(study.landmarks))
    drifts = rng.normal(0.0, hand.drift_sd, 1 + wanted // hand.take_length)
    while len(study.sightings) < wanted:
        told = what_next(adjust(study), AT_A_TIME)
        last = len(study.sightings) + AT_A_TIME >= wanted * 0.85
        asked = told.checks if last and told.checks else told.sightings
        if not asked:
            break
        for each in asked[: wanted - len(study.sightings)]:
            number = len(study.sightings)
            take, through = divmod(number, hand.take_length)
            sighting = _as_sighting(each, f"s{number + 1}", f"t{take + 1}")
            read = observe(sighting, truth, rng, float(drifts[take]))
            read = spoil(read, truth, hold, hand.faults or {}, through / hand.take_length, rng)
            study = replace(study, sightings=(*study.sightings, read))
    return study


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
    hold: Holding,
    faults: Mapping[str, float],
    through_take: float,
    rng: np.random.Generator,
) -> Sighting:
    """A true reading of a span, a tilt or an alignment as a hand with faults gives it, said as a
    person says it; nothing but the reading need be known."""
    ends = dict(zip(reading.landmarks, _places_of(reading), strict=True))
    spoiled = spoil(reading, ends, hold, faults, through_take, rng)
    if spoiled.period is not None:
        said = round(spoiled.value / TILT_STEP_DEG) * TILT_STEP_DEG
        return with_value(spoiled, said % (spoiled.period / spoiled.inside))
    least = 1 / 16 if isinstance(spoiled, Span) else 0.0
    count = as_a_person_counts(abs(spoiled.value), least)
    return with_value(spoiled, count if spoiled.value >= 0 else -count)


def _places_of(reading: Sighting) -> tuple[Array, Array]:
    """Two places, in units, between which a reading would be true."""
    if reading.period is not None:
        turn = reading.value * reading.inside
        return np.zeros(2), np.array([np.sin(turn), -np.cos(turn)])
    across = getattr(reading, "along", None) == "level" or reading.kind == "drop"
    return np.zeros(2), np.array([reading.value, 0.0] if across else [0.0, reading.value])


def _as_sighting(asked: Suggestion, name: str, take: str) -> Sighting:
    fields: dict[str, Any] = {"id": name, "start": asked.start, "end": asked.end}
    kind = KINDS[asked.kind]
    if kind is Span:
        fields |= {"along": asked.along, "towards": asked.towards, "units": 1.0, "take": take}
    elif kind.value_field == "degrees":
        fields["degrees"] = 0.0
    return kind(**fields)


def inside_predicted(
    truth: Mapping[str, Array], places: Mapping[str, Sequence[float]], spread: Mapping[str, Array]
) -> dict[str, float]:
    """Squared distance of each truth from its solved place, in its own (2, 2) covariance."""
    made = {}
    for name, covariance in spread.items():
        off = truth[name] - np.asarray(places[name])
        made[name] = float(off @ np.linalg.pinv(covariance, rcond=1e-9) @ off)
    return made
