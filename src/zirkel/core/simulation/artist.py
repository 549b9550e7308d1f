"""A simulated artist: sights a scene as the prompter says, with a steady or an unsteady hand.

The artist taps a rough thumbnail, then again and again asks what to sight next, takes the first
few of the answers, and last takes what would check the unchecked. Every reading is the true one of
what is seen, with the usual error of its kind, as the honest observer reads it, and whatever faults
of the hand are turned on. After every so many readings a new take begins, with a drift of its own.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from typing import Any

import numpy as np

from zirkel.core.network.search import adjust
from zirkel.core.network.what_next import Suggestion, what_next
from zirkel.core.sightings import KINDS, Sighting, Span
from zirkel.core.simulation.observer import observe
from zirkel.core.simulation.unsteady import spoil
from zirkel.core.study import Landmark, Sheet, SimulatedSubject, Study
from zirkel.core.subject.scene import Scene, seen_landmarks, truth_in_units
from zirkel.core.subject.sight import holding, sightable
from zirkel.core.subject.station import Station

AT_A_TIME = 4
"""How many suggestions are taken before asking again."""


@dataclass(frozen=True, slots=True)
class Hand:
    """How the artist works: readings per landmark, how far off the thumbnail is tapped in units,
    readings in a take, the takes' drifts, and faults with their sizes."""

    per_landmark: float = 2.6
    tap_error: float = 0.06
    take_length: int = 24
    drift_sd: float = 0.015
    faults: Mapping[str, float] | None = None


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


def _as_sighting(asked: Suggestion, name: str, take: str) -> Sighting:
    fields: dict[str, Any] = {"id": name, "start": asked.start, "end": asked.end}
    kind = KINDS[asked.kind]
    if kind is Span:
        fields |= {"along": asked.along, "towards": asked.towards, "units": 1.0, "take": take}
    elif kind.value_field == "degrees":
        fields["degrees"] = 0.0
    elif "take" in kind.__dataclass_fields__:
        fields["take"] = take
    return kind(**fields)
