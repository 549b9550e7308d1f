"""When it is enough: how sure the large shapes are, then the middle ones, then detail; and what to
sight while a tier does not stand yet.

A tier stands when none of its landmarks is loose, when its landmarks are off by `ENOUGH` of the
height on average (or by the artist's own tolerance), and when nothing could be wrong in it without
being noticed: the last readings before that check rather than refine. A landmark whose coordinates
have one standard deviation s is off by sqrt(pi / 2) s on average.
"""

from __future__ import annotations

import math
from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass, replace

import numpy as np

from zirkel.core.network.adjust import Adjustment, place_covariance
from zirkel.core.network.candidates import (
    all_candidates,
    coordinate_weights,
    gains_of,
    prior_cofactor,
)
from zirkel.core.network.checks import best_checks, unchecked
from zirkel.core.network.solve import Solution
from zirkel.core.network.standing import height_of_the_whole
from zirkel.core.network.what_next import Next, Suggestion, suggestion
from zirkel.core.sitting.plan import Course

ENOUGH = 0.0175
"""How far landmarks of a block-in may be off on average, as a share of the height of all."""

MEAN_DISTANCE = math.sqrt(math.pi / 2.0)
"""Mean distance over the standard deviation of each coordinate."""

AT_A_TIME = 3
"""Readings that are chosen together, to be taken in the order in which the stick lies best."""

LEAST_LEFT = 0.02
"""Share of a tier's variance from which a reading is worth taking for it."""


@dataclass(frozen=True, slots=True)
class Tier:
    """How the landmarks of one tier stand: off by how much on average and at worst, in units; what
    is enough; which are loose; which readings of theirs nothing checks."""

    tier: int
    landmarks: int
    mean: float
    worst: float
    enough: float
    loose: tuple[str, ...]
    unchecked: tuple[str, ...]

    @property
    def sure(self) -> bool:
        """Whether its landmarks are held, and sure enough to be drawn."""
        return not self.loose and self.mean <= self.enough


@dataclass(frozen=True, slots=True)
class Asked:
    """What to sight, and the last tier up to which all stand; 0 where the first does not."""

    next: Next
    standing: int


def tiers(
    solution: Solution,
    sliding: Mapping[str, str | float],
    enough: float | None = None,
    unseen: Collection[str] = (),
) -> tuple[Tier, ...]:
    """How each tier stands, the large shapes first; `enough` is the artist's own tolerance in
    units. What can't be seen from where the artist stands is left out, unless it is held."""
    net = solution.adjusted.network
    covariance = solution.scatter**2 * place_covariance(solution.adjusted)
    distance = MEAN_DISTANCE * np.sqrt(
        np.maximum(np.trace(covariance, axis1=1, axis2=2), 0.0) / 2.0
    )
    within = ENOUGH * height_of_the_whole(solution) if enough is None else enough
    unproved = set(unchecked(solution.adjusted))
    open_ = [each for each in net.sightings if each.id in unproved]
    of = {each.id: each.tier for each in net.study.landmarks}
    made = []
    for tier in (1, 2, 3):
        own = [
            each.id
            for each in net.study.landmarks
            if each.tier == tier and not (each.id in sliding and each.id in unseen)
        ]
        if not own:
            continue
        far = distance[[net.index[name] for name in own]]
        made.append(
            Tier(
                tier,
                len(own),
                float(np.sqrt((far**2).mean())),
                float(far.max()),
                within,
                tuple(name for name in own if name in sliding),
                tuple(e.id for e in open_ if max(of[name] for name in e.landmarks) == tier),
            )
        )
    return tuple(made)


def sight_for(
    solution: Solution,
    found: Sequence[Tier],
    usual: Next,
    count: int = 5,
    unseen: Collection[str] = (),
) -> Asked:
    """What to sight for the first tier that does not stand: readings that make it sure, then those
    that check it, as far as they can be; once all stand, what
    is `usual`."""
    adjusted = solution.adjusted
    standing = 0
    for each in found:
        if not each.sure:
            enough = each.enough / (MEAN_DISTANCE * solution.scatter)
            course = Course(adjusted, unseen, enough).taken(AT_A_TIME)
            worth = [one for one in course if one.gain >= LEAST_LEFT]
            asked = as_held(solution, worth)[:count]
        else:
            asked = _checks_of(adjusted, each.unchecked, count, unseen)
        if asked or not each.sure:
            return Asked(replace(usual, sightings=asked or usual.sightings), standing)
        standing = each.tier
    return Asked(usual, standing)


def _checks_of(
    adjusted: Adjustment, readings: Sequence[str], count: int, unseen: Collection[str]
) -> tuple[Suggestion, ...]:
    """What checks these readings."""
    if not readings:
        return ()
    cofactor, weights = prior_cofactor(adjusted), coordinate_weights(adjusted)
    candidates = all_candidates(adjusted, unseen)
    gains = gains_of(candidates, cofactor, weights) / float(weights @ cofactor.diagonal())
    return tuple(
        suggestion(adjusted, candidates, cofactor, number, float(gains[number]), names)
        for number, names in best_checks(adjusted, candidates, cofactor, count, readings)
    )


def as_held(solution: Solution, chosen: Sequence[Suggestion]) -> tuple[Suggestion, ...]:
    """Readings in the order in which a person would take them: from what stands to what does not,
    one landmark's together, the stick held as it was, and nothing that was just read."""
    taken = [
        (frozenset(each.landmarks), each.kind, getattr(each, "along", None))
        for each in solution.adjusted.network.study.sightings
        if not each.struck
    ]
    known = {name for pair, *_ in taken for name in pair}
    unit = solution.adjusted.network.study.unit
    known |= {getattr(unit, name) for name in ("start", "end", "origin") if hasattr(unit, name)}
    seen = {(pair, _looked_along(kind, along)) for pair, kind, along in taken}
    fresh = [each for each in chosen if (_pair(each), _looks_along(each)) not in seen]
    left, made = list(fresh or chosen), []
    last = taken[-1] if taken else None
    while left:
        best = max(left, key=lambda each: _nearness(each, known, last))
        left.remove(best)
        made.append(best)
        known |= _pair(best)
        last = (_pair(best), best.kind, best.along)
    return tuple(made)


def _nearness(
    each: Suggestion, known: set[str], last: tuple[frozenset[str], str, str | None] | None
) -> tuple[int, int]:
    """How easily a reading follows the last one: more first."""
    from_known = bool(_pair(each) & known)
    if last is None:
        # The first of all is counted: that shows what the unit is.
        return int(each.kind == "span"), int(from_known)
    pair, kind, along = last
    same_grip = (each.kind, each.along) == (kind, along)
    return int(from_known), 2 * len(_pair(each) & pair) + int(same_grip)


def _pair(each: Suggestion) -> frozenset[str]:
    return frozenset((each.start, each.end))


def _looks_along(each: Suggestion) -> str:
    return _looked_along(each.kind, each.along)


def _looked_along(kind: str, along: str | None) -> str:
    """What is looked at: a height and what a level is off are one look, and so are a width and what
    a plumb is off."""
    if kind == "level" or (kind == "span" and along == "plumb"):
        return "height"
    if kind == "drop" or (kind == "span" and along == "level"):
        return "width"
    return kind
