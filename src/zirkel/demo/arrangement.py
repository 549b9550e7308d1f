"""From a known arrangement to a study: a thumbnail tapped roughly, readings in takes."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace

import numpy as np

from zirkel.core.sightings import Drop, Level, Part, Run, Sighting, Span, Tilt
from zirkel.core.simulation.artist import fresh_study
from zirkel.core.simulation.observer import observe, with_value
from zirkel.core.study import Sheet, Study
from zirkel.core.subject.scene import seen_landmarks, truth_in_units
from zirkel.scenes import shipped_scenes


@dataclass(frozen=True, slots=True)
class Arrangement:
    """A shipped scene, and what is sighted of it from its own station.

    `readings` are lines such as "span level can_rim_l pot1_l", grouped by take; `wrong` gives for
    one line how much is added to what was read.
    """

    title: str
    sheet: Sheet
    scene: str
    takes: Mapping[str, tuple[float, Sequence[str]]]
    wrong: Mapping[str, float]
    seed: int
    tap_error: float


def to_study(arrangement: Arrangement) -> Study:
    """The study that an honest observer would have made of it."""
    rng = np.random.default_rng(arrangement.seed)
    scene = shipped_scenes()[arrangement.scene]
    study = fresh_study(scene, scene.station, arrangement.sheet, arrangement.tap_error, rng)
    truth = truth_in_units(seen_landmarks(scene, scene.station), scene.unit)
    readings: list[Sighting] = []
    for take, (drift, lines) in arrangement.takes.items():
        for line in lines:
            asked = _reading(line, f"s{len(readings) + 1}", take, truth)
            read = observe(asked, truth, rng, drift)
            readings.append(_spoiled(read, arrangement.wrong.get(line, 0.0)))
    return replace(study, title=arrangement.title, sightings=tuple(readings))


def _reading(line: str, name: str, take: str, truth: Mapping[str, np.ndarray]) -> Sighting:
    kind, *words = line.split()
    if kind == "span":
        along, start, end = words
        d = truth[end] - truth[start]
        towards = {
            "level": "right" if d[0] > 0 else "left",
            "plumb": "down" if d[1] > 0 else "up",
        }.get(along)
        return Span(
            id=name, start=start, end=end, along=along, towards=towards, units=1.0, take=take
        )
    if kind == "tilt":
        return Tilt(id=name, start=words[0], end=words[1], degrees=0.0)
    if kind == "part":
        along, start, end, at = words
        return Part(id=name, start=start, end=end, at=at, along=along, fraction=0.5)
    if kind == "run":
        return Run(id=name, start=words[0], end=words[1], hits=words[2])
    plain = Drop if kind == "drop" else Level
    return plain(id=name, start=words[0], end=words[1])


def _spoiled(reading: Sighting, added: float) -> Sighting:
    return with_value(reading, reading.value + added) if added else reading
