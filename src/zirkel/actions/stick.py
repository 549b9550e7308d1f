"""The stick laid over the subject on screen: from how it is held to a reading for the pad."""

from __future__ import annotations

from typing import Annotated, Any, Literal

import numpy as np
from pydantic import BaseModel, Field

from zirkel.actions.bench import current_take
from zirkel.core.network.kinds import KINDS, Sighting
from zirkel.core.network.kinds.span import towards
from zirkel.core.network.words import say_value, words_of
from zirkel.core.study import SimulatedSubject, Study
from zirkel.core.subject.artist import by_an_unsteady_hand, holding
from zirkel.core.subject.faults import FAULTS
from zirkel.core.subject.stick import read_offset, read_tilt, step_off
from zirkel.core.values.fractions import say_number
from zirkel.errors import BadInput
from zirkel.store.store import Store, Stored
from zirkel.studyfile.entries import Finite, Id, Point
from zirkel.studyfile.sightings import sighting_to_file

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
    spoiled = _with_faults(stored, sighting)
    return StickReading(
        entry=sighting_to_file(spoiled),
        said=spoiled.said(words_of(study)),
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
            kind, axis = ("drop", 0) if pose.held == "drop" else ("level", 1)
            offset = read_offset(pose.start, pose.end, axis, pose.thumb)
            return None, None, offset, {"kind": kind, **ends, "offset": offset}
        counted = step_off(pose.start, pose.end, pose.held, pose.thumb)
    except ValueError as error:
        raise BadInput("thumb", str(error)) from error
    if counted.exact < 0.02:
        raise BadInput("end", "the two ends lie at one place this way: there is nothing to count")
    span = {
        "kind": "span",
        **ends,
        "along": pose.held,
        "towards": towards(pose.held, float(d[0]), float(d[1])),
        "units": counted.said,
        "take": current_take(study),
    }
    return counted.steps, counted.rest, counted.exact, span


def _with_faults(stored: Stored, reading: Sighting) -> Sighting:
    """What the hand makes of it, if faults are turned on."""
    subject = stored.study.subject
    if not isinstance(subject, SimulatedSubject) or not subject.faults or stored.scene is None:
        return reading
    take = current_take(stored.study)
    taken = sum(each.take_name == take for each in stored.study.sightings)
    through = min(1.0, taken / FULL_TAKE)
    hold = holding(stored.scene, subject.station)
    return by_an_unsteady_hand(reading, hold, subject.faults, through, np.random.default_rng())


def _named(stored: Stored, before: Sighting, after: Sighting) -> list[str]:
    """The faults that are on, where they changed what is read."""
    subject = stored.study.subject
    if not isinstance(subject, SimulatedSubject) or before.value == after.value:
        return []
    study = stored.study
    change = f"would read {say_value(study, before, before.value)}"
    return [*(FAULTS[name].title for name in subject.faults), f"a steady hand {change}"]
