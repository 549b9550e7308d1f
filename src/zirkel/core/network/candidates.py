"""Every reading that an artist could take now, as arrays, and what each would bring.

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
"""

from __future__ import annotations

from collections.abc import Collection
from dataclasses import dataclass, replace

import numpy as np

from zirkel.core.arrays import Array, Flags, Indices
from zirkel.core.network.adjust import Adjustment, place_looseness
from zirkel.core.network.assemble import gains
from zirkel.core.network.extent import likely_places
from zirkel.core.network.sigmas import rounding
from zirkel.core.sightings import KINDS, Span
from zirkel.core.study import UnitLength, UnitPair

TIER_WEIGHT = {1: 4.0, 2: 2.0, 3: 1.0}
THUMBNAIL_SIGMA = 1.0
"""How far off the thumbnail may be, in units, where nothing else tells."""

TAP, TAP_MM = 0.12, 15.0
"""How far off a landmark is usually tapped, in units and where readings are millimetres."""

NEAREST = 150
"""Landmarks nearest to each that are paired with it, in a drawing that has more."""

TIED_SHARE = 1e-6
"""Share of the loose directions below which a landmark is held against one of them."""


@dataclass(frozen=True, slots=True)
class Candidates:
    """All c readings that could be taken: landmark numbers (c, 2), derivative by the second place
    (c, 2) and by the take's drift (c,), sigma (c,), and which sort each is of. `take` is the
    coordinate of the drift of the take they would be in; None for readings outside any take."""

    pair: Indices
    slope: Array
    by_drift: Array
    sigma: Array
    sort: Indices
    sorts: tuple[tuple[str, str | None], ...]
    """Kind and way of measuring of each sort."""
    take: int | None = None

    def only(self, keep: Indices) -> Candidates:
        """Those of these numbers."""
        return replace(
            self, pair=self.pair[keep], slope=self.slope[keep], by_drift=self.by_drift[keep],
            sigma=self.sigma[keep], sort=self.sort[keep],
        )  # fmt: skip

    def in_take(self, take: int) -> Candidates:
        """The same readings in the take whose drift is this coordinate."""
        return replace(self, take=take)


def prior_cofactor(adjusted: Adjustment) -> Array:
    """(2n + t, 2n + t) covariance of all places and drifts, the thumbnail's word for loose ones."""
    return with_thumbnail(adjusted, THUMBNAIL_SIGMA)


def as_tapped(adjusted: Adjustment) -> Array:
    """(2n + t, 2n + t) the same, with what a thumbnail is really worth where nothing holds: taps
    TAP off, all of them from the origin's own tap, and all in the scale of the unit's two taps
    until spans are read."""
    net = adjusted.network
    if not len(net.ids):
        return with_thumbnail(adjusted, TAP)
    tap = (TAP_MM if net.in_mm else TAP) / np.sqrt(2.0)
    n = len(net.ids)
    x = (adjusted.places - adjusted.places[_datum_origin(adjusted)]).ravel()
    lengths = [each.units for each in net.sightings if isinstance(each, Span)]
    known = 1.0 + sum(lengths)
    scale = 0.0 if net.in_mm else tap * np.sqrt(2.0 * (1 + len(lengths))) / known
    full = tap**2 * (np.eye(2 * n) + np.tile(np.eye(2), (n, n))) + scale**2 * np.outer(x, x)
    free = np.flatnonzero(gains(net.datum, adjusted.places)[: 2 * n])
    column = net.datum.column[free]
    inside = np.zeros_like(adjusted.cofactor)
    inside[np.ix_(column, column)] = full[np.ix_(free, free)]
    loose = adjusted.loose
    return _full(adjusted, adjusted.cofactor + loose @ (loose.T @ inside @ loose) @ loose.T)


def _datum_origin(adjusted: Adjustment) -> int:
    unit = adjusted.network.study.unit
    if isinstance(unit, UnitPair):
        return adjusted.network.index[unit.start]
    return adjusted.network.index[unit.origin] if isinstance(unit, UnitLength) else 0


def with_thumbnail(adjusted: Adjustment, sigma: float) -> Array:
    """The same with a thumbnail good to so many units where nothing holds."""
    known = adjusted.cofactor + sigma**2 * adjusted.loose @ adjusted.loose.T
    return _full(adjusted, known)


def _full(adjusted: Adjustment, known: Array) -> Array:
    """A covariance of the unknowns as one of all coordinates and drifts."""
    net = adjusted.network
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


def all_candidates(
    adjusted: Adjustment, unseen: Collection[str] = (), again: bool = False
) -> Candidates:
    """Every doable reading over a pair of landmarks that has not been taken already, or also those
    that are to be taken `again`; none of those that can't be seen from where the artist stands, or
    that a lesson leaves out."""
    net = adjusted.network
    places = likely_places(adjusted)
    first, second = _pairs(places)
    hidden = np.isin(net.ids, list(unseen))
    clear = np.flatnonzero(~(hidden[first] | hidden[second]))
    first, second = first[clear], second[clear]
    p = np.stack([places[first], places[second]], axis=1)
    codes = first * len(net.ids) + second
    sd = _apart_sd(adjusted, first, second)
    taken = {} if again else _taken(adjusted)
    tied = _tied(adjusted)
    reachable = tied[first] | tied[second] if tied.any() else np.ones(len(first), dtype=bool)
    pairs, slopes, drifts, sigmas, numbers = [], [], [], [], []
    sorts: list[tuple[str, str | None]] = []
    asked = net.study.task
    for kind, rule in KINDS.items():
        allowed = reachable & (asked is None or asked.allows(kind))
        for offer in rule.proposals(p[:, 1] - p[:, 0], sd, net.in_mm):
            sort = (kind, offer.along)
            made = rule.equation(offer.columns, p, np.zeros(len(p)))
            drift = np.zeros(len(p)) if made.by_drift is None else made.by_drift
            keep = np.flatnonzero(allowed & offer.doable & ~np.isin(codes, taken.get(sort, [])))
            pairs.append(np.stack([first[keep], second[keep]], axis=1))
            slopes.append(made.by_place[keep, 1])
            drifts.append(drift[keep])
            sigma = offer.sigma[keep] * net.study.trust.get(kind, 1.0)
            sigmas.append(np.hypot(sigma, rounding(kind, net.study) * rule.inside))
            numbers.append(np.full(len(keep), len(sorts)))
            sorts.append(sort)
    return Candidates(
        np.concatenate(pairs),
        np.concatenate(slopes),
        np.concatenate(drifts),
        np.concatenate(sigmas),
        np.concatenate(numbers),
        tuple(sorts),
    )


def _pairs(places: Array) -> tuple[Indices, Indices]:
    """Pairs of landmarks, i < j: all of them, or where there are very many, those of each with the
    landmarks nearest to it, as what lies far across is not sighted from there."""
    n = len(places)
    if n <= NEAREST:
        return np.triu_indices(n, 1)
    apart = ((places[:, None, :] - places[None, :, :]) ** 2).sum(axis=2)
    near = np.zeros((n, n), dtype=bool)
    rows = np.arange(n)[:, None]
    near[rows, np.argpartition(apart, NEAREST, axis=1)[:, :NEAREST]] = True
    first, second = np.nonzero(np.triu(near | near.T, 1))
    return first, second


def _apart_sd(adjusted: Adjustment, first: Indices, second: Indices) -> Array:
    """(k, 2) standard deviations of how far pairs of landmarks are apart, across and down; where
    nothing else tells, by the thumbnail as it is usually tapped."""
    n = len(adjusted.network.ids)
    tap = TAP_MM if adjusted.network.in_mm else TAP
    spread = with_thumbnail(adjusted, tap)[: 2 * n, : 2 * n].reshape(n, 2, n, 2)
    made = np.empty((len(first), 2))
    for axis in (0, 1):
        s = spread[:, axis, :, axis]
        own = s.diagonal()
        made[:, axis] = own[first] + own[second] - 2.0 * s[first, second]
    return np.sqrt(np.maximum(made, 0.0))


def _tied(adjusted: Adjustment) -> Flags:
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
    n = int(candidates.pair.max(initial=0)) + 1
    blocks = matrix[: 2 * n, : 2 * n].reshape(n, 2, n, 2).transpose(0, 2, 1, 3)
    i, j = candidates.pair.T
    own = blocks[np.arange(n), np.arange(n)]
    shared = blocks[i, j]
    g, m = candidates.slope, candidates.by_drift
    made = np.zeros(len(i))
    for a, b, times in ((0, 0, 1.0), (1, 1, 1.0), (0, 1, 2.0)):
        difference = own[i, a, b] + own[j, a, b] - shared[:, a, b] - shared[:, b, a]
        made += times * g[:, a] * g[:, b] * difference
    if candidates.take is not None:
        drift = matrix[candidates.take]
        beside = drift[: 2 * n].reshape(n, 2)
        made += 2.0 * m * (g * (beside[j] - beside[i])).sum(axis=1)
        made += m**2 * drift[candidates.take]
    return made


def row(candidates: Candidates, number: int, length: int) -> Array:
    """The full row a, (length,), of one candidate."""
    a = np.zeros(length)
    i, j = candidates.pair[number]
    a[2 * i : 2 * i + 2] -= candidates.slope[number]
    a[2 * j : 2 * j + 2] += candidates.slope[number]
    if candidates.take is not None:
        a[candidates.take] = candidates.by_drift[number]
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
