"""The stick laid over the subject on screen: from how it is held to a reading for the pad."""

from __future__ import annotations

from typing import Annotated, Any, Literal

import numpy as np
from pydantic import BaseModel, Field

from zirkel.core.arrays import Array
from zirkel.core.sightings import KINDS, Sighting
from zirkel.core.sightings.span import towards
from zirkel.core.simulation.unsteady import by_an_unsteady_hand
from zirkel.core.study import SimulatedSubject, Study, UnitPair
from zirkel.core.subject.scene import seen_landmarks, truth_in_units
from zirkel.core.subject.sight import holding
from zirkel.core.subject.stick import read_offset, read_tilt, step_off
from zirkel.core.values.fractions import say_number
from zirkel.core.words.base import words_of
from zirkel.core.words.faults import FAULT_WORDS
from zirkel.core.words.network import say_value
from zirkel.core.words.sightings import say_reading
from zirkel.errors import BadInput
from zirkel.store.store import Store, Stored
from zirkel.studyfile.entries import Finite, Id, Point
from zirkel.studyfile.sightings import sighting_to_file
from zirkel.views.bench import current_take

INSTEAD: dict[str, Literal["height", "drop"]] = {"plumb": "height", "level": "drop"}
"""What two that are level, or plumb, are read as where there is no height, or width, to count."""

NOTHING_COUNTED = {
    "plumb": "The two are level, there is no height to count: ",
    "level": "One stands plumb over the other, there is no width to count: ",
}
LEAST_COUNTED = 0.02
"""Units under which there is nothing to count."""

FULL_TAKE = 24
"""Readings after which a fault that grows through the take has its full size."""


class StickPose(BaseModel):
    """How the stick, the plumb line or the level is held. Places are in mm on the subject side.

    `thumb` is the length that the thumb was set to over the unit; 0 while it isn't set.
    """

    held: Literal["straight", "level", "plumb", "tilt", "drop", "height"]
    start: Point
    end: Point
    from_landmark: Id
    to_landmark: Id
    thumb: Annotated[Finite, Field(ge=0)] = 0.0


class StickReading(BaseModel):
    """What is read: the entry for the pad, what it says, and what was spoiled by which fault."""

    entry: dict[str, str | float | bool | list[str]]
    said: str
    value: str | None
    """The value as it is entered on the pad; None for a tilt."""
    steps: int | None
    rest: float | None
    exact: float
    faults: list[str]


def read_stick(store: Store, study_id: int, pose: StickPose) -> StickReading:
    """The reading of a pose; BadInput if it can't be read."""
    stored = store.get(study_id)
    study = stored.study
    for field, name in (("from_landmark", pose.from_landmark), ("to_landmark", pose.to_landmark)):
        if name not in {each.id for each in study.landmarks}:
            raise BadInput(field, f"there is no landmark “{name}” in this study")
    if pose.from_landmark == pose.to_landmark:
        raise BadInput("to_landmark", "both ends lie on one landmark: carry one end on to another")
    steps, rest, exact, fields = _read(study, pose)
    sighting = KINDS[str(fields.pop("kind"))](id="draft", **fields)
    ends = tuple(np.array(each) / max(pose.thumb, 1e-9) for each in (pose.start, pose.end))
    spoiled = _with_faults(stored, sighting, ends if pose.thumb else None)
    return StickReading(
        entry=sighting_to_file(spoiled),
        said=f"{_instead(pose, spoiled)}{say_reading(study, spoiled)}",
        value=None if pose.held == "tilt" else say_number(abs(spoiled.value)),
        steps=steps,
        rest=rest,
        exact=exact,
        faults=_named(stored, sighting, spoiled),
    )


def _read(study: Study, pose: StickPose) -> tuple[int | None, float | None, float, dict[str, Any]]:
    ends: dict[str, Any] = {"start": pose.from_landmark, "end": pose.to_landmark}
    d = np.subtract(pose.end, pose.start)
    try:
        if pose.held == "tilt":
            degrees = read_tilt(pose.start, pose.end)
            return None, None, degrees, {"kind": "tilt", **ends, "degrees": degrees}
        if pose.held in ("drop", "height"):
            take = current_take(study)
            kind, axis = ("drop", 0) if pose.held == "drop" else ("level", 1)
            offset = read_offset(pose.start, pose.end, axis, pose.thumb)
            return None, None, offset, {"kind": kind, **ends, "offset": offset, "take": take}
        counted = step_off(pose.start, pose.end, pose.held, pose.thumb)
    except ValueError as error:
        raise BadInput("thumb", str(error)) from error
    if counted.exact < LEAST_COUNTED:
        if pose.held not in INSTEAD:
            raise BadInput("end", "the two lie at one place: there is nothing to count")
        return _read(study, pose.model_copy(update={"held": INSTEAD[pose.held]}))
    span = {
        "kind": "span",
        **ends,
        "along": pose.held,
        "towards": towards(pose.held, float(d[0]), float(d[1])),
        "units": counted.said,
        "take": current_take(study),
    }
    return counted.steps, counted.rest, counted.exact, span


def _instead(pose: StickPose, reading: Sighting) -> str:
    """That it was read as something else than asked, and why."""
    return NOTHING_COUNTED.get(pose.held, "") if reading.kind in ("drop", "level") else ""


def _with_faults(stored: Stored, reading: Sighting, ends: tuple[Array, ...] | None) -> Sighting:
    """What the hand makes of it, if faults are turned on; `ends` in units, None while the thumb
    isn't set."""
    subject = stored.study.subject
    if not isinstance(subject, SimulatedSubject) or not subject.faults or stored.scene is None:
        return reading
    if ends is None:
        ends = _ends_as_seen(stored, reading)
    if ends is None:
        return reading
    take = current_take(stored.study)
    taken = sum(each.take_name == take for each in stored.study.sightings)
    through = min(1.0, taken / FULL_TAKE)
    hold = holding(stored.scene, subject.station)
    rng = np.random.default_rng()
    return by_an_unsteady_hand(reading, ends, hold, subject.faults, through, rng)


def _ends_as_seen(stored: Stored, reading: Sighting) -> tuple[Array, ...] | None:
    """Where the reading's landmarks are seen, in units: a tilt needs no thumb."""
    subject, unit = stored.study.subject, stored.study.unit
    if stored.scene is None or not isinstance(subject, SimulatedSubject):
        return None
    scene_unit = unit if isinstance(unit, UnitPair) else stored.scene.unit
    seen = seen_landmarks(stored.scene, subject.station)
    if not {scene_unit.start, scene_unit.end, *reading.landmarks} <= seen.keys():
        return None
    truth = truth_in_units(seen, scene_unit)
    return tuple(truth[name] for name in reading.landmarks)


def _named(stored: Stored, before: Sighting, after: Sighting) -> list[str]:
    """The faults that are on, where they changed what is read."""
    subject = stored.study.subject
    if not isinstance(subject, SimulatedSubject) or before.value == after.value:
        return []
    study = stored.study
    change = f"would read {say_value(words_of(study), before, before.value)}"
    return [*(FAULT_WORDS[name].title for name in subject.faults), f"a steady hand {change}"]
