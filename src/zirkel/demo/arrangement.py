"""From a known arrangement to a study: a thumbnail tapped roughly, readings in takes."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from zirkel.core.network.kinds import Drop, Level, Part, Run, Sighting, Span, Tilt
from zirkel.core.study import Landmark, Shape, Sheet, Study, UnitPair
from zirkel.core.subject.observer import observe, with_value


@dataclass(frozen=True, slots=True)
class Point:
    """A landmark of an arrangement with its true place in units."""

    id: str
    name: str
    tier: int
    x: float
    y: float


@dataclass(frozen=True, slots=True)
class Arrangement:
    """A subject whose truth is known, and what is sighted of it.

    `readings` are lines such as "span level can_rim_l pot1_l", grouped by take; `wrong` gives for
    one line how much is added to what was read.
    """

    title: str
    sheet: Sheet
    unit: UnitPair
    points: tuple[Point, ...]
    shapes: tuple[Shape, ...]
    takes: Mapping[str, tuple[float, Sequence[str]]]
    wrong: Mapping[str, float]
    seed: int
    tap_error: float
    scale: float


def to_study(arrangement: Arrangement) -> Study:
    """The study that an honest observer would have made of it."""
    rng = np.random.default_rng(arrangement.seed)
    truth = {each.id: np.array([each.x, each.y]) for each in arrangement.points}
    readings: list[Sighting] = []
    for take, (drift, lines) in arrangement.takes.items():
        for line in lines:
            asked = _reading(line, f"s{len(readings) + 1}", take, truth)
            read = observe(asked, truth, rng, drift)
            readings.append(_spoiled(read, arrangement.wrong.get(line, 0.0)))
    return Study(
        title=arrangement.title,
        method="comparative",
        sheet=arrangement.sheet,
        unit=arrangement.unit,
        landmarks=tuple(_landmark(each, arrangement, rng) for each in arrangement.points),
        shapes=arrangement.shapes,
        sightings=tuple(readings),
    )


def _landmark(point: Point, arrangement: Arrangement, rng: np.random.Generator) -> Landmark:
    tapped = (np.array([point.x, point.y]) + rng.normal(0.0, arrangement.tap_error, 2) + 1.0) * (
        arrangement.scale
    )
    rough = (round(float(tapped[0]), 3), round(float(tapped[1]), 3))
    return Landmark(point.id, point.name, point.tier, rough)


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


def outline(name: str, said: str, landmarks: str, closed: bool = True, tier: int = 1,
            part_of: str | None = None) -> Shape:  # fmt: skip
    """A shape from landmark ids in one line."""
    return Shape(name, said, tuple(landmarks.split()), closed, part_of, tier)
