"""What to sight next: the readings that take most slack out of the drawing, as an artist works.

Ranked by variance alone (see `candidates`), suggestions jump about, and a drawing of sixteen
landmarks stays loose for long. So they follow the order of work:

1. While a landmark is loose, one after the other is tied down: the one that was begun first of all,
   then the large shapes, the outermost of them before the others, then by their distance. It is
   tied by the reading that leaves the least variance in all, from landmarks that stand.
2. Once all are held, the reading that takes most variance by tier, a little less where it asks the
   artist to look elsewhere than at the last place, and much less where the last readings were of
   the same pair.

Five readings that say nearly the same are no help: after each choice Q is brought up to date and
the rest ranked again.
"""

from __future__ import annotations

from collections.abc import Collection
from dataclasses import dataclass

import numpy as np

from zirkel.core.arrays import Array, Flags, Indices
from zirkel.core.network.adjust import Adjustment
from zirkel.core.network.assemble import DRIFT_SIGMA
from zirkel.core.network.candidates import (
    THUMBNAIL_SIGMA,
    Candidates,
    all_candidates,
    coordinate_weights,
    gains_of,
    prior_cofactor,
    row,
    with_reading,
)
from zirkel.core.network.checks import best_checks, unchecked
from zirkel.core.network.slack import radii
from zirkel.core.patience import step
from zirkel.core.sightings.span import towards
from zirkel.core.study import UnitLength, UnitPair

LEAST_GAIN = 1e-4

LOOSE = 0.4
"""Share of the thumbnail's standard deviation from which a direction counts as not held."""

ELSEWHERE, AGAIN = 0.85, 0.4
"""What a gain counts where it is to be looked for away from the last place, and where the last
readings were of the same two landmarks."""

OUTERMOST = 0.4
"""By how much, as a share of the furthest, the outermost landmarks count as nearer to the unit."""

SHORT_LIST, FEW = 1500, 6
"""Candidates that are ranked again after the first choice, and loose landmarks of which all are."""

LAST = 3
"""Readings that count as the last ones."""


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


def what_next(adjusted: Adjustment, count: int = 5, unseen: Collection[str] = ()) -> Next:
    """The best few readings to settle places, and to check what is unchecked; none of landmarks
    that are `unseen` from where the artist stands."""
    if len(adjusted.network.ids) < 2 or adjusted.network.study.unit is None:
        return Next((), (), ())
    candidates = all_candidates(adjusted, unseen)
    cofactor = prior_cofactor(adjusted)
    weights = coordinate_weights(adjusted)
    total = float(weights @ cofactor.diagonal())
    if not len(candidates.sigma) or total <= 0:
        return Next((), (), unchecked(adjusted))
    alone = gains_of(candidates, cofactor, weights) / total

    def told(number: int, checks: tuple[str, ...] = ()) -> Suggestion:
        return suggestion(adjusted, candidates, cofactor, number, float(alone[number]), checks)

    chosen = _Course(adjusted, candidates, cofactor).chosen(count)
    checks = best_checks(adjusted, candidates, cofactor, count)
    return Next(
        sightings=tuple(told(number) for number in chosen),
        checks=tuple(told(number, names) for number, names in checks),
        unchecked=unchecked(adjusted),
    )


class _Course:
    """The choice of one reading after the other, as if each were taken."""

    def __init__(self, adjusted: Adjustment, candidates: Candidates, cofactor: Array) -> None:
        self._now, take = in_the_take_at_hand(adjusted, cofactor)
        self._candidates = candidates.in_take(take)
        self._weights = np.append(
            coordinate_weights(adjusted), np.zeros(len(self._now) - len(cofactor))
        )
        self._total = float(self._weights @ self._now.diagonal())
        self._n = len(adjusted.network.ids)
        self._loose_from = (LOOSE * THUMBNAIL_SIGMA) ** 2
        self._rank = _rank(adjusted)
        index = adjusted.network.index
        taken = [
            {index[name] for name in each.landmarks}
            for each in adjusted.network.study.sightings
            if not each.struck and len(each.landmarks) == 2
        ]
        self._last = taken[-LAST:]
        self._begun = _begun(adjusted)
        self._open = np.ones(len(candidates.sigma), dtype=bool)

    def chosen(self, count: int) -> list[int]:
        """Numbers of the candidates to take, in this order."""
        made: list[int] = []
        numbers = np.arange(len(self._open))
        while len(made) < count and self._open.any():
            step("looking for what to sight next")
            gain = gains_of(self._candidates, self._now, self._weights) / self._total
            best = self._best(np.where(self._open, gain, -1.0))
            if gain[best] < LEAST_GAIN:
                break
            made.append(int(numbers[best]))
            self._take(best)
            if len(made) == 1 and len(numbers) > SHORT_LIST:
                numbers = numbers[self._shortened(gain)]
        return made

    def _shortened(self, gain: Array) -> Indices:
        """Only the candidates that win most, and those that tie what is loose, are ranked again."""
        loose = np.flatnonzero(self._spreads() > self._loose_from)
        keep = np.isin(self._candidates.pair, loose[np.argsort(self._rank[loose])][:FEW]).any(
            axis=1
        )
        most = np.argsort(-gain, kind="stable")[:SHORT_LIST]
        kept = np.union1d(np.flatnonzero(keep), most)
        self._candidates = self._candidates.only(kept)
        self._open = self._open[kept]
        return kept

    def _best(self, gain: Array) -> int:
        """The reading that ties down the landmark whose turn it is; else that of most gain."""
        spread = self._spreads()
        loose = spread > self._loose_from
        target = self._turn(loose)
        i, j = self._candidates.pair.T
        if target is not None:
            ties = ((i == target) & ~loose[j]) | ((j == target) & ~loose[i])
            ties &= self._open & (self._along_loose(target) > 0.05)
            if ties.any():
                return int(np.argmax(np.where(ties, gain, -1.0)))
        return int(np.argmax(gain * self._nearness()))

    def _spreads(self) -> Array:
        """(n,) largest variance of each landmark in any direction."""
        own = _own(self._now, self._n)
        a, b, c = own[:, 0, 0], own[:, 1, 1], own[:, 0, 1]
        spread: Array = 0.5 * (a + b) + np.sqrt(0.25 * (a - b) ** 2 + c**2)
        return spread

    def _turn(self, loose: Flags) -> int | None:
        """The loose landmark whose turn it is: one that was begun before a new one."""
        waiting = np.flatnonzero(loose)
        if not len(waiting):
            return None
        begun = [number for number in reversed(self._begun) if loose[number]]
        return begun[0] if begun else int(waiting[np.argmin(self._rank[waiting])])

    def _along_loose(self, target: int) -> Array:
        """(c,) share of each candidate's direction that lies along what is loose in the target."""
        own = _own(self._now, self._n)[target]
        values, vectors = np.linalg.eigh(own)
        loose = vectors[:, values > self._loose_from]
        slope = self._candidates.slope
        length = np.maximum((slope**2).sum(axis=1), 1e-12)
        share: Array = ((slope @ loose) ** 2).sum(axis=1) / length
        return share

    def _nearness(self) -> Array:
        """(c,) what each candidate's gain counts, by where the artist has just looked."""
        i, j = self._candidates.pair.T
        made = np.full(len(i), ELSEWHERE if self._last else 1.0)
        if self._last:
            near = list(self._last[-1])
            made[np.isin(i, near) | np.isin(j, near)] = 1.0
        for pair in self._last:
            a, b = min(pair), max(pair)
            made[(i == a) & (j == b)] *= AGAIN
        return made

    def _take(self, number: int) -> None:
        a = row(self._candidates, number, len(self._now))
        self._now = with_reading(self._now, a, float(self._candidates.sigma[number]))
        pair = [int(each) for each in self._candidates.pair[number]]
        self._last = [*self._last, set(pair)][-LAST:]
        self._begun = [*self._begun, *pair]
        self._open[number] = False


def in_the_take_at_hand(adjusted: Adjustment, cofactor: Array) -> tuple[Array, int]:
    """The covariance with the drift of the take that the next reading will be in, and which of its
    coordinates that is: the take of the last reading, or the first take."""
    net = adjusted.network
    named = [each.take_name for each in net.study.sightings if each.take_name is not None]
    if named and named[-1] in net.takes:
        return cofactor, 2 * len(net.ids) + net.takes.index(named[-1])
    size = len(cofactor)
    grown = np.zeros((size + 1, size + 1))
    grown[:size, :size] = cofactor
    grown[size, size] = DRIFT_SIGMA**2
    return grown, size


def _rank(adjusted: Adjustment) -> Array:
    """(n,) the order in which landmarks are begun, least first: the unit's end, then by tier and by
    the distance from the unit, the outermost of the large shapes somewhat before their turn."""
    net = adjusted.network
    tiers = np.array([each.tier for each in net.study.landmarks], dtype=float)
    places = adjusted.places
    large = np.flatnonzero(tiers == tiers.min())
    extreme = {
        int(large[find(places[large, axis])]) for axis in (0, 1) for find in (np.argmin, np.argmax)
    }
    reach = np.hypot(*(places - places[_origin(adjusted)]).T)
    rank = 10.0 * tiers + reach / max(float(reach.max()), 1e-9)
    rank[list(extreme)] -= OUTERMOST
    if isinstance(net.study.unit, UnitPair):
        rank[net.index[net.study.unit.end]] = 0.0
    return rank


def _begun(adjusted: Adjustment) -> list[int]:
    """Landmarks in the order in which readings named them."""
    net = adjusted.network
    return [
        net.index[name]
        for each in net.study.sightings
        if not each.struck and each.holds
        for name in each.landmarks
    ]


def _origin(adjusted: Adjustment) -> int:
    unit = adjusted.network.study.unit
    if isinstance(unit, UnitPair):
        return adjusted.network.index[unit.start]
    return adjusted.network.index[unit.origin] if isinstance(unit, UnitLength) else 0


def suggestion(
    adjusted: Adjustment,
    candidates: Candidates,
    cofactor: Array,
    number: int,
    gain: float,
    checks: tuple[str, ...] = (),
    settled: int | None = None,
) -> Suggestion:
    """One of the candidates in words' own terms: what it settles (or the landmark of this number),
    from where it stands now."""
    net = adjusted.network
    i, j = (int(each) for each in candidates.pair[number])
    kind, along = candidates.sorts[candidates.sort[number]]
    a = row(candidates, number, len(cofactor))
    settles, ties = _most_settled(adjusted, cofactor, a, float(candidates.sigma[number]), settled)
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
    adjusted: Adjustment, cofactor: Array, a: Array, sigma: float, settled: int | None
) -> tuple[tuple[str, float, float], bool]:
    """Whose variance falls most by tier, if it isn't said who is `settled`: its slack before and
    after; and whether it is tied."""
    n = len(adjusted.network.ids)
    reach = cofactor @ a
    own = reach[: 2 * n].reshape(n, 2)
    was = _own(cofactor, n)
    now = was - own[:, :, None] * own[:, None, :] / (sigma**2 + float(a @ reach))
    fall = np.trace(was, axis1=1, axis2=2) - np.trace(now, axis1=1, axis2=2)
    weights = coordinate_weights(adjusted)[: 2 * n : 2]
    most = int(np.argmax(weights * fall)) if settled is None else settled
    name = adjusted.network.ids[most]
    ties = float(np.trace(was[most])) > (LOOSE * THUMBNAIL_SIGMA) ** 2
    return (name, float(radii(was)[most]), float(radii(now)[most])), ties


def _own(cofactor: Array, n: int) -> Array:
    """(n, 2, 2) covariance of each landmark."""
    each = np.arange(n)
    own: Array = cofactor[: 2 * n, : 2 * n].reshape(n, 2, n, 2)[each, :, each, :]
    return own
