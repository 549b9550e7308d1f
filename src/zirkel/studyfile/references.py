"""What the schema cannot see: that names used in a study exist, once, and make sense together."""

from __future__ import annotations

from collections.abc import Collection, Iterator
from difflib import get_close_matches
from itertools import islice

from zirkel.core.collections import collections, landmark_names
from zirkel.core.sightings import Sighting
from zirkel.core.study import Study, UnitPair
from zirkel.errors import BadInput

SIDES = {"level": ("right", "left"), "plumb": ("down", "up"), "straight": ()}

Problem = tuple[str, str]

MOST_SAID = 20
"""Problems that are named in one go: the rest is looked for only once these are mended."""


def check_references(study: Study) -> None:
    """Raise BadInput naming the first field that refers to nothing, with any more behind it."""
    problems = list(islice(find_problems(study), MOST_SAID))
    if problems:
        field, problem = problems[0]
        raise BadInput(field, problem, tuple(problems[1:]))


def find_problems(study: Study) -> Iterator[Problem]:
    """All such problems, in the order of the file."""
    known = {each.id for each in study.landmarks}
    for each in collections():
        if each.key:
            ids = [getattr(record, each.key) for record in getattr(study, each.name)]
            yield from _twice(each.file, each.key, ids)
    for name in ("sightings", "adopted", "resighted"):
        for i, sighting in enumerate(getattr(study, name)):
            yield from sighting_problems(f"{name}.{i}", sighting, known)
    for field, landmark in landmark_names(study):
        yield from _missing(field, landmark, known)
    unit = study.unit
    if isinstance(unit, UnitPair) and unit.start == unit.end:
        yield "unit", f"both ends of the unit are “{unit.start}”: choose two landmarks"
    yield from _parts(study)
    yield from _tones(study)


def _tones(study: Study) -> Iterator[Problem]:
    """Areas that comparisons name, and shapes that overlaps do."""
    areas = {each.id for each in study.tone_areas}
    for i, reading in enumerate(study.tone_readings):
        for field in ("first", "second", "area"):
            name = getattr(reading, field)
            if name is not None and name not in areas:
                yield f"tone_readings.{i}.{field}", _no_such("area", name, areas)
    shapes = {each.id for each in study.shapes}
    # A file may say what stands before what without any outline.
    for i, overlap in enumerate(study.overlaps if shapes else ()):
        for field in ("front", "behind"):
            name = getattr(overlap, field)
            if name not in shapes:
                yield f"overlaps.{i}.{field}", _no_such("shape", name, shapes)


def _no_such(what: str, name: str, known: Collection[str]) -> str:
    near = get_close_matches(name, known, 1)
    hint = f"did you mean “{near[0]}”?" if near else "add it first"
    return f"there is no {what} “{name}”: {hint}"


def sighting_problems(field: str, each: Sighting, known: Collection[str]) -> Iterator[Problem]:
    """What is wrong with one sighting's names."""
    for name in each.landmarks:
        yield from _missing(f"{field} ({each.id})", name, known)
    first, second = getattr(each, "first", None), getattr(each, "second", None)
    if isinstance(first, tuple) and isinstance(second, tuple):
        if first[0] == first[1] or second[0] == second[1]:
            yield field, f"sighting {each.id} measures a landmark to itself: choose another end"
        elif set(first) == set(second):
            yield field, f"sighting {each.id} compares a pair with itself: choose another pair"
    elif len(set(each.landmarks)) < len(each.landmarks):
        yield field, f"sighting {each.id} measures a landmark to itself: choose another end"
    along, towards = getattr(each, "along", None), getattr(each, "towards", None)
    if towards is not None and towards not in SIDES[str(along)]:
        sides = " or ".join(SIDES[str(along)]) or "no side"
        yield f"{field}.towards", f"“{towards}” does not go with {along}: {along} takes {sides}"


def _missing(field: str, name: str, known: Collection[str]) -> Iterator[Problem]:
    if name not in known:
        near = get_close_matches(name, known, 1)
        hint = f"did you mean “{near[0]}”?" if near else "add it, or choose one of the study's"
        yield field, f"there is no landmark “{name}”: {hint}"


def _twice(field: str, key: str, ids: list[str]) -> Iterator[Problem]:
    seen: set[str] = set()
    for i, each in enumerate(ids):
        if each in seen:
            what = field.removesuffix("s")
            yield f"{field}.{i}.{key}", f"two {what}s are called “{each}”: give one another {key}"
        seen.add(each)


def _parts(study: Study) -> Iterator[Problem]:
    ids = {each.id for each in study.shapes}
    for i, shape in enumerate(study.shapes):
        if shape.part_of is not None and (shape.part_of not in ids or shape.part_of == shape.id):
            yield f"shapes.{i}.part_of", f"“{shape.part_of}” is no other shape of this study"
