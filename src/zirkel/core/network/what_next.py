"""What to sight next: the readings that would take most slack out of the drawing.

Problem: of all readings an artist could take now, which make the landmarks' total variance drop
most, and which would best check a reading that nothing checks?

With Q the covariance of the unknowns, M the diagonal of tier weights on the coordinates (4, 2, 1
for tiers 1, 2, 3) and a reading whose row is a and whose sigma is s, adjusting once more would
give (J. Sherman and W. Morrison, 1950)

    Q' = Q - (Q a)(Q a)' / (s^2 + a'Q a),

so that tr(M Q) drops by a'S a / (s^2 + a'Q a) with S = Q M Q, computed once for all candidates.
A candidate over a pair (i, j) has a = (-g, g) on the two places, hence a'Q a = g'D g, where D is
the 2 x 2 covariance of the difference of the two places, and likewise with S. All pairs and kinds
are ranked in a few array operations. The formula is exact for the linearized network; adding a
reading that says just what is expected does not move the linearization.

In directions that nothing holds, the thumbnail is taken to be good to THUMBNAIL_SIGMA units, so
that what ties down a loose landmark comes first.

Five readings that say nearly the same are no help: after each choice Q is updated by the formula
above and the rest ranked again, and no landmark is named more than twice.

A reading x of its own sigma s_x is checked by the share r_x that the others know of it. A candidate
raises it by (x'Q a)^2 / (s_x^2 (s^2 + a'Q a)).
"""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from zirkel.core.arrays import Array, Indices
from zirkel.core.network.adjust import Adjustment, place_looseness
from zirkel.core.network.assemble import gains
from zirkel.core.network.slack import radii
from zirkel.core.sightings import KINDS
from zirkel.core.sightings.span import towards
from zirkel.core.study import UnitLength, UnitPair

TIER_WEIGHT = {1: 4.0, 2: 2.0, 3: 1.0}
THUMBNAIL_SIGMA = 1.0
"""How far off the thumbnail may be, in units, where nothing else tells."""

TAP, TAP_MM = 0.12, 15.0
"""How far off a landmark is usually tapped, in units and where readings are millimetres."""

UNCHECKED = 0.1
"""Redundancy below which a reading counts as checked by nothing."""

OFTEN = 2
"""How many of the suggestions may name the same landmark."""

LEAST_GAIN = 1e-4

TIES = 0.5
"""Share of the thumbnail's standard deviation from which a landmark was not held before."""

TIED_SHARE = 1e-6
"""Share of the loose directions below which a landmark is held against one of them."""


@dataclass(frozen=True, slots=True)
class Suggestion:
    """A reading worth taking.

    `gain` is the share of the weighted total variance it would remove; `settles` the landmark
    whose slack it takes most of, with its slack in units before and after; `ties` whether it ties
    that one in a direction that nothing held; `checks` the readings that it would check.
    """

    kind: str
    start: str
    end: str
    along: str | None
    towards: str | None
    gain: float
    settles: tuple[str, float, float]
    ties: bool = False
    checks: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class Next:
    """Readings that would settle most, readings that would check most, and what is unchecked."""

    sightings: tuple[Suggestion, ...]
    checks: tuple[Suggestion, ...]
    unchecked: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class Candidates:
    """All c readings that could be taken: landmark numbers (c, 2), derivative by the second place
    (c, 2), sigma (c,), and which sort each is of."""

    pair: Indices
    slope: Array
    sigma: Array
    sort: Indices
    sorts: tuple[tuple[str, str | None], ...]
    """Kind and way of measuring of each sort."""


def what_next(adjusted: Adjustment, count: int = 5) -> Next:
    """The best few readings to settle places, and to check what is unchecked."""
    if len(adjusted.network.ids) < 2 or adjusted.network.study.unit is None:
        return Next((), (), ())
    candidates = all_candidates(adjusted)
    if not len(candidates.sigma):
        return Next((), (), ())
    cofactor = prior_cofactor(adjusted)
    return Next(
        sightings=_settling(adjusted, candidates, cofactor, count),
        checks=_checking(adjusted, candidates, cofactor, count),
        unchecked=unchecked(adjusted),
    )


def unchecked(adjusted: Adjustment) -> tuple[str, ...]:
    """Readings that nothing would notice if they were wrong."""
    rows = np.flatnonzero(adjusted.redundancy < UNCHECKED)
    return tuple(adjusted.network.sightings[row].id for row in rows)


def prior_cofactor(adjusted: Adjustment) -> Array:
    """(2n + t, 2n + t) covariance of all places and drifts, the thumbnail's word for loose ones."""
    return _with_thumbnail(adjusted, THUMBNAIL_SIGMA)


def _with_thumbnail(adjusted: Adjustment, sigma: float) -> Array:
    net = adjusted.network
    known = adjusted.cofactor + sigma**2 * adjusted.loose @ adjusted.loose.T
    gain = gains(net.datum, adjusted.places)[:-1]
    column = net.datum.column[:-1]
    return known[np.ix_(column, column)] * gain[:, None] * gain[None, :]


def coordinate_weights(adjusted: Adjustment) -> Array:
    """(2n + t,) tier weight of every full coordinate; drifts weigh nothing."""
    tiers = [TIER_WEIGHT[each.tier] for each in adjusted.network.study.landmarks]
    return np.concatenate([np.repeat(tiers, 2), np.zeros(len(adjusted.network.takes))])


def total_variance(adjusted: Adjustment) -> float:
    """Tier-weighted total variance of the places, in squared units."""
    return float(coordinate_weights(adjusted) @ prior_cofactor(adjusted).diagonal())


def all_candidates(adjusted: Adjustment) -> Candidates:
    """Every doable reading over a pair of landmarks that has not been taken already."""
    net = adjusted.network
    first, second = np.triu_indices(len(net.ids), 1)
    p = np.stack([adjusted.places[first], adjusted.places[second]], axis=1)
    codes = first * len(net.ids) + second
    sd = _apart_sd(adjusted, first, second)
    taken = _taken(adjusted)
    tied = _tied(adjusted)
    reachable = tied[first] | tied[second] if tied.any() else np.ones(len(first), dtype=bool)
    pairs, slopes, sigmas, numbers = [], [], [], []
    sorts: list[tuple[str, str | None]] = []
    for kind, rule in KINDS.items():
        for offer in rule.proposals(p[:, 1] - p[:, 0], sd, net.in_mm):
            sort = (kind, offer.along)
            slope = rule.equation(offer.columns, p, np.zeros(len(p))).by_place[:, 1]
            keep = np.flatnonzero(reachable & offer.doable & ~np.isin(codes, taken.get(sort, [])))
            pairs.append(np.stack([first[keep], second[keep]], axis=1))
            slopes.append(slope[keep])
            sigmas.append(offer.sigma[keep] * net.study.trust.get(kind, 1.0))
            numbers.append(np.full(len(keep), len(sorts)))
            sorts.append(sort)
    return Candidates(
        np.concatenate(pairs),
        np.concatenate(slopes),
        np.concatenate(sigmas),
        np.concatenate(numbers),
        tuple(sorts),
    )


def _apart_sd(adjusted: Adjustment, first: Indices, second: Indices) -> Array:
    """(k, 2) standard deviations of how far pairs of landmarks are apart, across and down; where
    nothing else tells, by the thumbnail as it is usually tapped."""
    n = len(adjusted.network.ids)
    tap = TAP_MM if adjusted.network.in_mm else TAP
    spread = _with_thumbnail(adjusted, tap)[: 2 * n, : 2 * n].reshape(n, 2, n, 2)
    made = np.empty((len(first), 2))
    for axis in (0, 1):
        s = spread[:, axis, :, axis]
        own = s.diagonal()
        made[:, axis] = own[first] + own[second] - 2.0 * s[first, second]
    return np.sqrt(np.maximum(made, 0.0))


def _tied(adjusted: Adjustment) -> NDArray[np.bool_]:
    """(n,) which landmarks hang together with the unit in at least one direction.

    A reading between two that do not would only move looseness about.
    """
    looseness = place_looseness(adjusted)
    return np.linalg.eigvalsh(looseness)[:, 0] < TIED_SHARE


def _taken(adjusted: Adjustment) -> dict[tuple[str, str | None], list[int]]:
    net = adjusted.network
    found: dict[tuple[str, str | None], list[int]] = {}
    for each in net.sightings:
        if len(each.landmarks) == 2:
            low, high = sorted(net.index[name] for name in each.landmarks)
            sort = (each.kind, getattr(each, "along", None))
            found.setdefault(sort, []).append(low * len(net.ids) + high)
    return found


def quadratic(candidates: Candidates, matrix: Array) -> Array:
    """a' X a for every candidate, (c,), with X (2n + t, 2n + t) over the full coordinates."""
    n = int(candidates.pair.max()) + 1
    blocks = matrix[: 2 * n, : 2 * n].reshape(n, 2, n, 2).transpose(0, 2, 1, 3)
    i, j = candidates.pair.T
    own = blocks[np.arange(n), np.arange(n)]
    shared = blocks[i, j]
    difference = own[i] + own[j] - shared - shared.transpose(0, 2, 1)
    g = candidates.slope
    return (
        g[:, 0] ** 2 * difference[:, 0, 0]
        + 2.0 * g[:, 0] * g[:, 1] * difference[:, 0, 1]
        + g[:, 1] ** 2 * difference[:, 1, 1]
    )


def row(candidates: Candidates, number: int, length: int) -> Array:
    """The full row a, (length,), of one candidate."""
    a = np.zeros(length)
    i, j = candidates.pair[number]
    a[2 * i : 2 * i + 2] -= candidates.slope[number]
    a[2 * j : 2 * j + 2] += candidates.slope[number]
    return a


def gains_of(candidates: Candidates, cofactor: Array, weights: Array) -> Array:
    """(c,) drop in weighted total variance that each candidate would bring."""
    spread = (cofactor * weights) @ cofactor
    return quadratic(candidates, spread) / (candidates.sigma**2 + quadratic(candidates, cofactor))


def with_reading(cofactor: Array, a: Array, sigma: float) -> Array:
    """The covariance once a reading of row a and this sigma is added (Sherman and Morrison)."""
    reach = cofactor @ a
    updated: Array = cofactor - np.outer(reach, reach) / (sigma**2 + a @ reach)
    return updated


def _settling(
    adjusted: Adjustment, candidates: Candidates, cofactor: Array, count: int
) -> tuple[Suggestion, ...]:
    weights = coordinate_weights(adjusted)
    total = float(weights @ cofactor.diagonal())
    alone = gains_of(candidates, cofactor, weights) / total if total > 0 else np.zeros(0)
    named = np.zeros(len(adjusted.network.ids), dtype=int)
    open_to = np.ones(len(candidates.sigma), dtype=bool)
    chosen: list[int] = []
    now = cofactor
    while len(chosen) < count and open_to.any() and total > 0:
        gain = alone if not chosen else gains_of(candidates, now, weights) / total
        best = int(np.argmax(np.where(open_to, gain, -1.0)))
        if gain[best] < LEAST_GAIN:
            break
        chosen.append(best)
        now = with_reading(now, row(candidates, best, len(now)), float(candidates.sigma[best]))
        named[candidates.pair[best]] += 1
        often = (named >= OFTEN) & (np.arange(len(named)) != _origin(adjusted))
        open_to &= ~often[candidates.pair].any(axis=1)
        open_to[best] = False
    made = [_suggestion(adjusted, candidates, cofactor, i, float(alone[i])) for i in chosen]
    return (*made[:1], *sorted(made[1:], key=lambda each: _drawing_order(adjusted, each)))


def _origin(adjusted: Adjustment) -> int:
    unit = adjusted.network.study.unit
    if isinstance(unit, UnitPair):
        return adjusted.network.index[unit.start]
    return adjusted.network.index[unit.origin] if isinstance(unit, UnitLength) else -1


def _drawing_order(adjusted: Adjustment, each: Suggestion) -> tuple[int, float]:
    """Big shapes first, then by gain."""
    tiers = {one.id: one.tier for one in adjusted.network.study.landmarks}
    return max(tiers[each.start], tiers[each.end]), -each.gain


def _checking(
    adjusted: Adjustment, candidates: Candidates, cofactor: Array, count: int
) -> tuple[Suggestion, ...]:
    rows = np.flatnonzero(adjusted.redundancy < UNCHECKED)
    if not len(rows):
        return ()
    reach = _rows_over_sigma(adjusted, rows) @ cofactor
    n = len(adjusted.network.ids)
    places = reach[:, : 2 * n].reshape(len(rows), n, 2)
    i, j = candidates.pair.T
    met = ((places[:, j] - places[:, i]) * candidates.slope).sum(axis=2)
    rise = met**2 / (candidates.sigma**2 + quadratic(candidates, cofactor))
    weights = coordinate_weights(adjusted)
    alone = gains_of(candidates, cofactor, weights) / float(weights @ cofactor.diagonal())
    made = []
    missing = np.ones(len(rows))
    for _ in range(count):
        best = int(np.argmax(missing @ np.minimum(rise, 1.0)))
        covers = np.flatnonzero((rise[:, best] > UNCHECKED) & (missing > 0))
        if not len(covers):
            break
        checks = tuple(adjusted.network.sightings[rows[each]].id for each in covers)
        made.append(_suggestion(adjusted, candidates, cofactor, best, float(alone[best]), checks))
        missing[covers] = 0.0
    return tuple(made)


def _rows_over_sigma(adjusted: Adjustment, rows: Indices) -> Array:
    """(k, 2n + t) rows of A over all full coordinates, each divided by its sigma."""
    net = adjusted.network
    full = np.zeros((len(rows), 2 * len(net.ids) + len(net.takes) + 1))
    gain = gains(net.datum, adjusted.places)
    for k, number in enumerate(rows):
        for bucket, entries in zip(net.buckets, adjusted.linear.entries, strict=True):
            own = number - bucket.rows.start
            if 0 <= own < len(entries):
                at = bucket.full[own]
                scaled = np.divide(
                    entries[own], gain[at], out=np.zeros(len(at)), where=gain[at] != 0
                )
                np.add.at(full[k], at, scaled)
    return full[:, :-1]


def _suggestion(
    adjusted: Adjustment,
    candidates: Candidates,
    cofactor: Array,
    number: int,
    gain: float,
    checks: tuple[str, ...] = (),
) -> Suggestion:
    net = adjusted.network
    i, j = (int(each) for each in candidates.pair[number])
    kind, along = candidates.sorts[candidates.sort[number]]
    after = with_reading(
        cofactor, row(candidates, number, len(cofactor)), float(candidates.sigma[number])
    )
    settles, ties = _most_settled(adjusted, cofactor, after)
    dx, dy = adjusted.places[j] - adjusted.places[i]
    return Suggestion(
        kind=kind,
        start=net.ids[i],
        end=net.ids[j],
        along=along,
        towards=None if along is None else towards(along, dx, dy),
        gain=gain,
        settles=settles,
        ties=ties,
        checks=checks,
    )


def _most_settled(
    adjusted: Adjustment, before: Array, after: Array
) -> tuple[tuple[str, float, float], bool]:
    """Whose variance falls most by tier: its slack before and after; and whether it is tied."""
    was, now = _own(adjusted, before), _own(adjusted, after)
    fall = np.trace(was, axis1=1, axis2=2) - np.trace(now, axis1=1, axis2=2)
    most = int(np.argmax(coordinate_weights(adjusted)[: 2 * len(was) : 2] * fall))
    name = adjusted.network.ids[most]
    ties = float(np.trace(was[most])) > (TIES * THUMBNAIL_SIGMA) ** 2
    return (name, float(radii(was)[most]), float(radii(now)[most])), ties


def _own(adjusted: Adjustment, cofactor: Array) -> Array:
    """(n, 2, 2) covariance of each landmark."""
    n = len(adjusted.network.ids)
    each = np.arange(n)
    own: Array = cofactor[: 2 * n, : 2 * n].reshape(n, 2, n, 2)[each, :, each, :]
    return own
