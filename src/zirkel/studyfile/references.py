"""What the schema cannot see: that names used in a study exist, once, and make sense together."""

from __future__ import annotations

from collections.abc import Iterable, Iterator
from difflib import get_close_matches

from zirkel.core.sightings import KINDS, Sighting
from zirkel.core.study import Study, UnitLength, UnitPair
from zirkel.errors import BadInput

SIDES = {"level": ("right", "left"), "plumb": ("down", "up"), "straight": ()}

Problem = tuple[str, str]


def check_references(study: Study) -> None:
    """Raise BadInput naming the first field that refers to nothing, with any more behind it."""
    problems = list(find_problems(study))
    if problems:
        field, problem = problems[0]
        raise BadInput(field, problem, tuple(problems[1:20]))


def find_problems(study: Study) -> Iterator[Problem]:
    """All such problems, in the order of the file."""
    known = [each.id for each in study.landmarks]
    yield from _twice("landmarks", "landmark", known)
    yield from _unit(study, known)
    for i, each in enumerate(study.sightings):
        yield from sighting_problems(f"sightings.{i}", each, known)
    yield from _twice("sightings", "sighting", [each.id for each in study.sightings])
    for i, each in enumerate(study.adopted):
        yield from sighting_problems(f"adopted.{i}", each, known)
    yield from _shapes(study, known)
    for name in study.drawn:
        yield from _missing(f"drawn.{name}", name, known)
    for i, family in enumerate(study.families):
        for edge in family.edges:
            for name in edge:
                yield from _missing(f"families.{i}.edges", name, known)
    for kind in study.trust:
        if kind not in KINDS:
            yield f"trust.{kind}", f"there is no kind of sighting “{kind}”: {', '.join(KINDS)}"


def sighting_problems(field: str, each: Sighting, known: Iterable[str]) -> Iterator[Problem]:
    """What is wrong with one sighting's names."""
    known = list(known)
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


def _missing(field: str, name: str, known: list[str]) -> Iterator[Problem]:
    if name not in known:
        near = get_close_matches(name, known, 1)
        hint = f"did you mean “{near[0]}”?" if near else "add it, or choose one of the study's"
        yield field, f"there is no landmark “{name}”: {hint}"


def _twice(field: str, what: str, ids: list[str]) -> Iterator[Problem]:
    seen: set[str] = set()
    for i, each in enumerate(ids):
        if each in seen:
            yield f"{field}.{i}.id", f"two {what}s are called “{each}”: give one another id"
        seen.add(each)


def _unit(study: Study, known: list[str]) -> Iterator[Problem]:
    if isinstance(study.unit, UnitPair):
        yield from _missing("unit.from", study.unit.start, known)
        yield from _missing("unit.to", study.unit.end, known)
        if study.unit.start == study.unit.end:
            yield "unit", f"both ends of the unit are “{study.unit.start}”: choose two landmarks"
    elif isinstance(study.unit, UnitLength):
        yield from _missing("unit.origin", study.unit.origin, known)


def _shapes(study: Study, known: list[str]) -> Iterator[Problem]:
    ids = [each.id for each in study.shapes]
    yield from _twice("shapes", "shape", ids)
    for i, shape in enumerate(study.shapes):
        for name in shape.outline:
            yield from _missing(f"shapes.{i}.outline", name, known)
        if shape.part_of is not None and (shape.part_of not in ids or shape.part_of == shape.id):
            yield f"shapes.{i}.part_of", f"“{shape.part_of}” is no other shape of this study"
