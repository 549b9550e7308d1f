"""The collections of a study as one registry: what holds many records, and what those name.

A new kind of attachment is a record (declared as in `fields`), a field of `Study` that holds many
of them, and the change that makes one: patches, history, references to landmarks and what goes
with a removed landmark follow from here.
"""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import dataclass, replace
from functools import cache
from typing import Any

from zirkel.core.fields import entries_of, file_name, landmarks_in, without_landmark
from zirkel.core.sightings import Sighting
from zirkel.core.study import Study


@dataclass(frozen=True, slots=True)
class Collection:
    """A field of `Study` that holds many records: a list told apart by `key`, or a mapping from
    landmarks (`key` empty); `most` is how many it may hold."""

    name: str
    file: str
    key: str
    most: int | None


@cache
def collections() -> tuple[Collection, ...]:
    """All collections, in the order of the file."""
    return tuple(
        Collection(each.name, file_name(each, declared), declared.key, declared.most)
        for each, declared in entries_of(Study)
        if declared.key or (declared.many == "map" and declared.names == "landmark")
    )


def landmark_names(study: Study) -> Iterator[tuple[str, str]]:
    """(path in the file, landmark) for every landmark that a study names, but for the landmarks
    themselves and the sightings that hold."""
    if study.unit is not None:
        for field, name in landmarks_in(study.unit):
            yield f"unit.{field}", name
    for each in collections():
        held = getattr(study, each.name)
        if not each.key:
            for name in held:
                yield f"{each.file}.{name}", name
            continue
        for number, record in enumerate(held):
            if isinstance(record, Sighting):
                continue
            for field, name in landmarks_in(record):
                yield f"{each.file}.{number}.{field}", name


def removed(study: Study, landmark: str) -> Study:
    """The study without a landmark, and without what can't be without it."""
    left: dict[str, Any] = {}
    for each in collections():
        held = getattr(study, each.name)
        if isinstance(held, Mapping):
            left[each.name] = {name: at for name, at in held.items() if name != landmark}
        elif each.name == "landmarks":
            left[each.name] = tuple(one for one in held if one.id != landmark)
        else:
            kept = (_without(one, landmark) for one in held)
            left[each.name] = tuple(one for one in kept if one is not None)
    return replace(study, **left)


def _without(record: Any, landmark: str) -> Any:
    if isinstance(record, Sighting):
        return None if landmark in record.landmarks else record
    return without_landmark(record, landmark)
