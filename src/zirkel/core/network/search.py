"""Which of several solutions is the right one: from the thumbnail, from an earlier version, or from
elsewhere.

Undirected tilts, unsigned lengths and straight spans can be met by a landmark on the wrong side of
its neighbours, and the unit's ends may have been tapped the wrong way round. A solution is settled
if one of these holds, tried in this order, the cheap ones first:

1. its readings agree (`Adjustment.convincing`);
2. with the unit's two ends exchanged on the thumbnail they agree;
3. a wrong reading or two explain why they do not, and what hangs on those lies about where it was
   tapped. Striking reading i lowers the cost by w_i^2 and changes the others' standardized
   residuals to (w_j - rho w_i) / sqrt(1 - rho^2), rho being the correlation of the two: that tells
   which to strike without adjusting again;
4. all of them scatter evenly, only more than believed: a less practised hand.

Otherwise strained landmarks are put where their own readings agree. Where that brings nothing, a
wrong reading or two are believed wherever their landmarks lie; else other beginnings are tried.
Whichever solution costs least is kept, a unit upside down having its price. Networks of more
unknowns than `HUGE` are taken as they settle from the thumbnail: each further try would cost
seconds.
"""

from __future__ import annotations

from collections.abc import Iterable, Iterator
from dataclasses import replace

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.network.adjust import Adjustment, conclude, readjust, residual_correlation
from zirkel.core.network.assemble import Network, build
from zirkel.core.network.descend import HUGE, ROUGH_TOLERANCE, come_near, descend
from zirkel.core.network.follow import followed
from zirkel.core.network.gathered import holds_more
from zirkel.core.network.joined import joined
from zirkel.core.network.second_look import elsewhere, put_right, strained
from zirkel.core.network.start import on_datum, thumbnail_places
from zirkel.core.study import Study, UnitPair

MOST_LOOKS, MOST_MOVED, MOST_SHAKES = 3, 5, 3
SHAKE = 0.35
"""Rounds of a second look, landmarks tried elsewhere in each, further tries from a shaken
thumbnail, and by how many units it is shaken."""

FEW_WRONG, READINGS_A_WRONG_ONE = 2, 200
"""Wrong readings that are expected now and then, and no reason to doubt the whole; and one more for
so many readings."""

EXPLAINED = 3.0
"""Excess of the cost, in its own standard deviations, up to which striking a few counts as an
explanation."""

AS_TAPPED, AS_TAPPED_MM = 0.35, 50.0
"""How far a landmark may lie from where it was tapped and surely be the one meant."""

EFFORT = 200
"""Landmarks times tries of each sort: large networks get fewer."""

TURNED = 9.2
"""What it costs to say that the unit was tapped upside down: -2 ln of one in a hundred."""

MOST_SCATTER, ENOUGH_TO_TELL = 3.5, 8
"""Largest factor on all sigmas that a hand may need, and degrees of freedom needed to say so."""

SMALL = 60
"""Landmarks up to which each version is adjusted from its thumbnail: the same readings then give
the same places, in whatever order they came and after any restart, in as short a time."""

NORMAL_MEDIAN = 0.6745
"""Median size of a standard normal number."""


def adjust(study: Study, before: Adjustment | None = None) -> Adjustment:
    """Adjust all readings of a study that hold and are not struck, with its families of edges.

    `before` is the adjustment of an earlier version: a large network in which nothing is loose
    starts from there, and from the thumbnail only where that does not settle it.
    """
    earlier = before if before is None else before.alone or before
    alone = _adjust_readings(study, earlier)
    return joined(alone) if holds_more(study) else alone


def _adjust_readings(study: Study, before: Adjustment | None) -> Adjustment:
    net = build(study, on_datum(study, thumbnail_places(study)))
    weight = 1.0 / net.sigma
    if before is not None and len(net.ids) > SMALL:
        warm = followed(net, weight, before)
        # What is loose lies where the thumbnail has it, not where it lay before.
        if not warm.loose.shape[1] and (
            warm.convincing or scatters_evenly(warm) or explained_by_few(warm) == "tapped"
        ):
            return warm
    found = conclude(net, descend(net, come_near(net, weight, net.start), weight), weight)
    if found.convincing or net.datum.unknowns > HUGE:
        return found
    found = min([found, *_unit_turned(net, weight)], key=_dear)
    if found.convincing or scatters_evenly(found):
        return found
    few = explained_by_few(found)
    return found if few == "tapped" else _searched(found, few)


def _dear(found: Adjustment) -> float:
    """The cost, with the price of a unit that points the other way than it was tapped."""
    unit, net = found.network.study.unit, found.network
    if not isinstance(unit, UnitPair):
        return found.cost
    start, end = net.index[unit.start], net.index[unit.end]
    tapped = on_datum(net.study, thumbnail_places(net.study))
    pointed, points = tapped[end] - tapped[start], found.places[end] - found.places[start]
    return found.cost + (TURNED if float(pointed @ points) < 0.0 else 0.0)


def _unit_turned(net: Network, weight: Array) -> list[Adjustment]:
    """The adjustment with the unit's two ends exchanged on the thumbnail, if there is a pair."""
    unit = net.study.unit
    if not isinstance(unit, UnitPair):
        return []
    rough = {each.id: each.rough for each in net.study.landmarks}
    other = {unit.start: rough[unit.end], unit.end: rough[unit.start]}
    landmarks = tuple(
        replace(each, rough=other.get(each.id, each.rough)) for each in net.study.landmarks
    )
    study = replace(net.study, landmarks=landmarks)
    turned = replace(build(study, on_datum(study, thumbnail_places(study))), study=net.study)
    begin = come_near(turned, weight, turned.start)
    return [conclude(turned, descend(turned, begin, weight), weight)]


def fits_upside_down(found: Adjustment, alike: float) -> bool:
    """Whether the readings of a pair unit that do not agree fit about as well with it turned over,
    the price of being tapped so counted: their costs differ by less than `alike`."""
    if found.convincing or found.network.datum.unknowns > HUGE:
        return False
    study, weight, mine = found.network.study, found.weight, _dear(found)
    net = build(study, on_datum(study, thumbnail_places(study)))
    plain = conclude(net, descend(net, come_near(net, weight, net.start), weight), weight)
    return any(
        abs(_dear(other) - mine) < alike and _turned_over(found, other)
        for other in (plain, *_unit_turned(net, weight))
    )


def _turned_over(one: Adjustment, other: Adjustment) -> bool:
    unit, index = one.network.study.unit, one.network.index
    if not isinstance(unit, UnitPair):
        return False
    a, b = (e.places[index[unit.end]] - e.places[index[unit.start]] for e in (one, other))
    return float(a @ b) < 0.0


def scatters_evenly(found: Adjustment) -> bool:
    """Whether the readings agree but for a larger error that all of them share."""
    if found.freedom < ENOUGH_TO_TELL:
        return False
    scale = robust_scale(found)
    return 1.0 < scale <= MOST_SCATTER and found.convincing_at(scale)


def robust_scale(found: Adjustment) -> float:
    """Median size of the standardized residuals over what it is expected to be."""
    sizes = np.abs(found.standardized[found.weight > 0])
    sizes = sizes[~np.isnan(sizes)]
    return float(np.median(sizes)) / NORMAL_MEDIAN if len(sizes) else 1.0


def explained_by_few(found: Adjustment) -> str | None:
    """Whether a wrong reading or two are enough to explain why the readings do not agree: None if
    they are not; `tapped` if what hangs on them then lies about where it was tapped; `away` if it
    lies elsewhere, more likely in a mirror image.
    """
    wrong = _worst_few(found)
    if not wrong:
        return None
    weight = found.weight.copy()
    weight[wrong] = 0.0
    after = readjust(found, weight, ROUGH_TOLERANCE)
    if not after.agrees(EXPLAINED):
        return None
    return "tapped" if _as_tapped(after, wrong) else "away"


def _worst_few(found: Adjustment) -> list[int]:
    """Rows of the few readings without which the others would agree; empty if there are none."""
    w = np.nan_to_num(found.standardized)
    alive = found.weight > 0
    cost, chosen = found.cost, []
    most = min(FEW_WRONG + len(w) // READINGS_A_WRONG_ONE, found.freedom // 2)
    for _ in range(most):
        row = int(np.argmax(np.where(alive, np.abs(w), 0.0)))
        rho = residual_correlation(found, row)
        cost -= float(w[row]) ** 2
        w = (w - rho * w[row]) / np.sqrt(np.maximum(1.0 - rho**2, 1e-3))
        alive[row] = False
        chosen.append(row)
        if cost <= found.freedom - len(chosen) + EXPLAINED * np.sqrt(2.0 * max(found.freedom, 1)):
            return chosen
    return []


def _as_tapped(after: Adjustment, wrong: list[int]) -> bool:
    net = after.network
    away = after.places - net.start
    away -= np.median(away, axis=0)
    hangs = list(_hanging(net, wrong))
    most = AS_TAPPED_MM if net.in_mm else AS_TAPPED
    return bool((np.hypot(*away[hangs].T) <= most).all())


def _hanging(net: Network, rows: list[int]) -> set[int]:
    """Numbers of the landmarks on these readings."""
    return {net.index[name] for row in rows for name in net.sightings[row].landmarks}


def _searched(found: Adjustment, few: str | None) -> Adjustment:
    """The best of what a second look and other beginnings lead to; `few` as `explained_by_few` has
    it of what was found so far."""
    net, weight = found.network, found.weight
    better = _put_right_while_better(found)
    few = few if better is found else explained_by_few(better)
    found = better
    if found.convincing or (few and not _poorly_tapped(found)):
        return found
    for begin in _other_beginnings(net, weight):
        near = descend(net, begin, weight, ROUGH_TOLERANCE)
        if near.linear.cost < found.cost:
            again = conclude(net, descend(net, near[:2], weight), weight)
            found = _put_right_while_better(min(found, again, key=_dear))
            if found.convincing or explained_by_few(found):
                break
    return found


def _poorly_tapped(found: Adjustment) -> bool:
    """Whether the thumbnail is too far off on the whole to tell a mirror image by it."""
    away = found.places - found.network.start
    away -= np.median(away, axis=0)
    most = AS_TAPPED_MM if found.network.in_mm else AS_TAPPED
    return float(np.median(np.hypot(*away.T))) > most


def _other_beginnings(net: Network, weight: Array) -> Iterator[tuple[Array, Array]]:
    """Where else to begin: with the unit's end on whichever side the readings have it, then from
    the thumbnail shaken, with a fixed seed, so that the same study always gives the same answer."""
    free = build(replace(net.study, unit=None), net.start)
    places, _ = come_near(free, weight, free.start)
    yield come_near(net, weight, on_datum(net.study, places))
    shake = np.random.default_rng(len(net.ids))
    for _ in range(min(MOST_SHAKES, EFFORT // max(1, len(net.ids)))):
        shaken = places + shake.normal(0.0, SHAKE, places.shape)
        yield come_near(net, weight, on_datum(net.study, shaken))


def _put_right_while_better(found: Adjustment) -> Adjustment:
    """Put strained landmarks where their readings agree and descend again, while it helps: all
    together first, then one at a time; only those of a wrong reading or two if these would explain
    the strain."""
    net, weight = found.network, found.weight
    most = min(MOST_MOVED, EFFORT // max(1, len(net.ids)))
    for _ in range(min(MOST_LOOKS, most)):
        if found.convincing:
            break
        doubtful = strained(net, found.standardized)
        wrong = _hanging(net, _worst_few(found))
        few = doubtful[np.isin(doubtful, list(wrong))] if wrong else doubtful
        there = put_right(net, found.places, weight, few)
        better = None if (there == found.places).all() else _first_better(found, [there])
        if better is None:
            moves = (elsewhere(net, found.places, weight, int(i)) for i in few[:most])
            better = _first_better(found, moves)
        if better is None:
            break
        found = better
    return found


def _first_better(found: Adjustment, moves: Iterable[Array]) -> Adjustment | None:
    net, weight = found.network, found.weight
    for places in moves:
        begin = (on_datum(net.study, places), np.zeros_like(found.drifts))
        near = descend(net, begin, weight, ROUGH_TOLERANCE)
        if near.linear.cost < found.cost * (1.0 - 1e-3):
            again = conclude(net, descend(net, near[:2], weight), weight)
            if again.cost < found.cost:
                return again
    return None
