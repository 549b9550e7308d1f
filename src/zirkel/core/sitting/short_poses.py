"""A set of short poses: each a drawing of its own from the same beginning, with a box round the
whole and a few readings; and what they have in common afterwards."""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Collection, Sequence
from dataclasses import dataclass, replace
from datetime import datetime, timedelta

import numpy as np

from zirkel.core.network.adjust import Adjustment
from zirkel.core.network.candidates import all_candidates, prior_cofactor
from zirkel.core.network.sigmas import sigma_of
from zirkel.core.network.what_next import Suggestion, suggestion
from zirkel.core.pose import Block, Sitting
from zirkel.core.sightings import Sighting
from zirkel.core.sitting.clock import running
from zirkel.core.sitting.plan import plan_readings
from zirkel.core.study import Study

READINGS = 3
"""Readings besides the box for which a short pose has time."""

FEWEST = 3
"""Poses in which something was read or is missing, from which it is common."""

ALIKE = 2.0
"""Times their own errors by which readings of one thing may differ and still be one value."""

LONGEST_TITLE = 170


@dataclass(frozen=True, slots=True)
class Common:
    """One thing read in several poses: each one's reading, and whether they are one value."""

    readings: tuple[Sighting, ...]
    alike: bool


def one_each(study: Study, blocks: Sequence[Block], name: str, began: datetime) -> list[Study]:
    """A study for each pose, from this one's beginning and without its readings, with a clock that
    starts when the poses and rests before it are over."""
    poses = sum(each.kind != "rest" for each in blocks)
    fresh = replace(
        study.anew(), place=study.place, tags=study.tags, eye=study.eye, hand=study.hand,
        counted_to=study.counted_to, leanings=study.leanings, trust=study.trust,
    )  # fmt: skip
    made: list[Study] = []
    at = began
    for each in blocks:
        if each.kind != "rest":
            number = len(made) + 1
            sitting = Sitting(
                id="sitting", at=at.isoformat(timespec="seconds"), blocks=(each,),
                of_set=name, pose=number, poses=poses,
            )  # fmt: skip
            title = f"{study.title[:LONGEST_TITLE]}, pose {number} of {poses}"
            made.append(replace(fresh, title=title, sittings=(sitting,)))
        at += timedelta(minutes=each.minutes)
    return made


def in_a_short_pose(study: Study) -> bool:
    """Whether the sitting that goes on is one of a set of short poses."""
    sitting = running(study)
    return sitting is not None and sitting.of_set is not None


def asked_of(adjusted: Adjustment, unseen: Collection[str] = ()) -> tuple[Suggestion, ...]:
    """What is still to be read in a short pose: the box round the whole, then what tells most."""
    taken = [each for each in adjusted.network.study.sightings if not each.struck]
    box = _box(adjusted, unseen)
    left = READINGS - max(len(taken) - sum(map(_is_box, taken)), 0)
    most = plan_readings(adjusted, READINGS, unseen=unseen).sightings
    named = {(each.kind, each.start, each.end) for each in box}
    rest = [each for each in most if (each.kind, each.start, each.end) not in named]
    return (*box, *rest[: max(left, 0)])


def _is_box(reading: Sighting) -> bool:
    return reading.kind == "span" and getattr(reading, "along", "") in ("level", "plumb")


def _box(adjusted: Adjustment, unseen: Collection[str]) -> list[Suggestion]:
    """The largest extents across and down that aren't read yet, in units."""
    every = all_candidates(adjusted, unseen)
    cofactor = prior_cofactor(adjusted)
    made = []
    read = {
        getattr(each, "along", None)
        for each in adjusted.network.study.sightings
        if _is_box(each) and not each.struck
    }
    for axis, along in ((1, "plumb"), (0, "level")):
        sort = next((i for i, each in enumerate(every.sorts) if each == ("span", along)), None)
        rows = np.flatnonzero(every.sort == (-1 if sort is None else sort))
        if along in read or not len(rows):
            continue
        i, j = every.pair[rows].T
        extent = np.abs(adjusted.places[j, axis] - adjusted.places[i, axis])
        made.append(suggestion(adjusted, every, cofactor, int(rows[int(np.argmax(extent))]), 0.0))
    return made


def in_common(studies: Sequence[Study]) -> list[Common]:
    """What was read in three poses and more, that which stays the same first."""
    found: dict[tuple[object, ...], list[tuple[Study, Sighting]]] = defaultdict(list)
    for study in studies:
        seen = set()
        for each in study.sightings:
            what = (each.kind, each.landmarks, getattr(each, "along", None))
            if each.value_field and not each.struck and len(each.landmarks) == 2:
                if what not in seen:
                    found[what].append((study, each))
                seen.add(what)
    made = [_common(each) for each in found.values() if len(each) >= FEWEST]
    return sorted(made, key=lambda each: (not each.alike, -len(each.readings)))


def _common(read: Sequence[tuple[Study, Sighting]]) -> Common:
    value = np.array([each.value for _, each in read])
    period = read[0][1].period
    if period:
        whole = period / read[0][1].inside
        value = value[0] + (value - value[0] + whole / 2.0) % whole - whole / 2.0
    sigma = float(np.mean([sigma_of(each, study) for study, each in read]))
    return Common(tuple(each for _, each in read), float(value.std()) <= ALIKE * sigma)


def left_loose(studies: Sequence[tuple[Study, Collection[str]]]) -> list[str]:
    """Landmarks that nothing held in three poses and more, in most of them first; `studies` with
    what is loose in each. Poses in which nothing was read don't count."""
    count: dict[str, int] = defaultdict(int)
    for study, loose in studies:
        for name in loose if study.sightings else ():
            count[name] += 1
    often = [name for name, times in count.items() if times >= FEWEST]
    return sorted(often, key=lambda name: -count[name])
