"""Placements that may be wrong: two places that fit alike, and landmarks far from their tap.

A landmark known by undirected tilts and straight spans can lie on either side of its neighbours,
and its readings agree equally well with both. Each landmark is carried over a grid, the others
held, and its softened disagreement (see `second_look`) compared with that where it lies. Where
another place fits about as well, and the thumbnail does not clearly speak for the one it is in,
that is said, with the reading that would tell the two apart; so too of the unit, where the
readings fit it either way up.
"""

from __future__ import annotations

from collections.abc import Collection, Iterator
from dataclasses import dataclass

import numpy as np

from zirkel.core.arrays import Array, Flags, Indices
from zirkel.core.network.adjust import Adjustment, place_covariance, place_looseness
from zirkel.core.network.search import fits_upside_down
from zirkel.core.network.second_look import disagreement, grid
from zirkel.core.network.slack import radii
from zirkel.core.study import UnitLength, UnitPair

ALIKE = 4.0
"""By how much the softened disagreement of the other place may be larger: two standard deviations
of one reading."""

APART, SLACKS = 0.35, 1.0
"""How far the other place must be, in units and in multiples of the landmark's slack."""

CLEARLY = 0.25
"""By how much, in units, the tap must lie nearer to where the landmark is to settle the matter."""

FAR, USUALLY = 0.7, 4.0
"""How far a landmark may lie from its tap, in units and in multiples of what is usual in the
drawing, before that is said."""

FINE, FINE_REACH = 0.03, 0.15
MOST = 60
IN_LINE = 0.3


@dataclass(frozen=True, slots=True)
class Telling:
    """The reading that would tell two places apart."""

    kind: str
    start: str
    end: str
    along: str | None = None


@dataclass(frozen=True, slots=True)
class Ambiguity:
    """A landmark whose placement may be wrong: `other` is the other place (2,) that fits as well,
    None where it only lies `far` units from where it was tapped."""

    landmark: str
    other: tuple[float, float] | None
    far: float | None
    telling: Telling | None


def ambiguities(adjusted: Adjustment, unseen: Collection[str] = ()) -> tuple[Ambiguity, ...]:
    """Placements that may be wrong, those far from their tap last."""
    net = adjusted.network
    if net.in_mm or len(net.ids) < 3:
        return ()
    held = np.linalg.eigvalsh(place_looseness(adjusted))[:, 1] < 1e-6
    free = held & ~np.isin(net.ids, _fixed(net.study.unit))
    away = adjusted.places - net.start
    away -= np.median(away, axis=0)
    distance = np.hypot(*away.T)
    slack = radii(place_covariance(adjusted))
    found: list[Ambiguity] = list(_upside_down(adjusted, held, unseen))
    for number in _looked_at(free, distance):
        other = _other_place(adjusted, int(number), float(slack[number]))
        if other is None:
            continue
        tapped = adjusted.places[number] - away[number]
        if distance[number] + CLEARLY < np.hypot(*(other - tapped)):
            continue
        telling = _telling(adjusted, int(number), other, held, unseen)
        found.append(Ambiguity(net.ids[number], (float(other[0]), float(other[1])), None, telling))
    named = {each.landmark for each in found}
    most = max(FAR, USUALLY * float(np.median(distance)))
    far = np.flatnonzero(free & (distance > most))
    found += [
        Ambiguity(net.ids[i], None, float(distance[i]), None)
        for i in far
        if net.ids[i] not in named and net.study.landmarks[i].rough is not None
    ]
    return tuple(found)


def _upside_down(adjusted: Adjustment, held: Flags, unseen: Collection[str]) -> Iterator[Ambiguity]:
    """That the unit itself may stand on its head, with what would tell."""
    net, unit = adjusted.network, adjusted.network.study.unit
    if isinstance(unit, UnitPair) and fits_upside_down(adjusted, ALIKE):
        number = net.index[unit.end]
        other = 2.0 * adjusted.places[net.index[unit.start]] - adjusted.places[number]
        telling = _telling(adjusted, number, other, held, unseen)
        yield Ambiguity(unit.end, (float(other[0]), float(other[1])), None, telling)


def _fixed(unit: UnitPair | UnitLength | None) -> list[str]:
    if isinstance(unit, UnitPair):
        return [unit.start, unit.end]
    return [] if unit is None else [unit.origin]


def _looked_at(free: Flags, distance: Array) -> Indices:
    """Landmarks by how far they lie from their taps, so many at the most."""
    order = np.argsort(-distance, kind="stable")
    return order[free[order]][:MOST]


def _other_place(adjusted: Adjustment, number: int, slack: float) -> Array | None:
    """Another place (2,) that fits about as well as where the landmark is, if there is one."""
    net, here = adjusted.network, adjusted.places[number]

    def at(candidates: Array) -> Array:
        return disagreement(net, adjusted.places, adjusted.weight, number, candidates)

    now = float(at(here[None])[0])
    around = here + grid()
    if np.hypot(*(net.start[number] - here)) > APART:
        around = np.concatenate([around, net.start[number] + grid()])
    apart = max(APART, SLACKS * slack)
    around = around[np.hypot(*(around - here).T) > apart]
    if not len(around):
        return None
    coarse = at(around)
    best = around[int(np.argmin(coarse))]
    steps = np.arange(-FINE_REACH, FINE_REACH + FINE / 2, FINE)
    across, down = np.meshgrid(steps, steps)
    fine = best + np.stack([across.ravel(), down.ravel()], axis=1)
    fits = at(fine)
    least = int(np.argmin(fits))
    other: Array = fine[least]
    far_enough = np.hypot(*(other - here)) > apart
    return other if far_enough and fits[least] < now + ALIKE else None


def _telling(
    adjusted: Adjustment, number: int, other: Array, held: Flags, unseen: Collection[str]
) -> Telling | None:
    """A plumb or level from a landmark nearly in line, else the tilt that would differ most."""
    net, here = adjusted.network, adjusted.places[number]
    ids = net.ids
    known = [int(i) for i in np.flatnonzero(held) if i != number and ids[i] not in unseen]
    near = sorted(known, key=lambda i: float(np.hypot(*(adjusted.places[i] - here))))
    axis = int(np.argmax(np.abs(other - here)))
    for i in near:
        d = here - adjusted.places[i]
        if abs(d[axis]) <= IN_LINE and abs(d[1 - axis]) > IN_LINE / 2:
            return Telling(("drop", "level")[axis], ids[i], ids[number])
    if not near:
        return None

    def turn(i: int) -> float:
        a, b = here - adjusted.places[i], other - adjusted.places[i]
        difference = np.arctan2(a[0], -a[1]) - np.arctan2(b[0], -b[1])
        return abs(float((difference + np.pi / 2) % np.pi - np.pi / 2))

    best = max(near[:8], key=turn)
    return Telling("tilt", ids[best], ids[number])
