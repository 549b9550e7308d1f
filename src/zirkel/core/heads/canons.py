"""Canons to compare a head with: rules of thumb as ratios of lengths between its points.

A ratio seen on a turned head is not that of the head: both its lengths are foreshortened. What the
generic head shows at the fitted turn, nod and roll is known, so the ratio of the head itself is the
generic one times seen over expected. Its error comes from the readings and from the fit.
"""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.heads.fit import FittedHead, seen
from zirkel.core.heads.model import head_points

Pair = tuple[str, str]
SHORTEST = 1e-9
FORESHORTENED = 0.25
"""Share of a length that must still be seen for it to tell anything."""


@dataclass(frozen=True, slots=True)
class Canon:
    """A rule of thumb: the mean of the lengths `over` divided by the mean of those `by`; `heights`
    if they are counted along the head's own upright only (a figure's: straight down); whom the rule
    is for where there are several."""

    measure: str
    canon: float
    over: tuple[Pair, ...]
    by: tuple[Pair, ...]
    heights: bool = False
    who: str = ""


@dataclass(frozen=True, slots=True)
class Departure:
    """What a head has where the canon has something else, and how sure that is."""

    measure: str
    canon: float
    here: float
    sd: float
    who: str = ""

    @property
    def off(self) -> float:
        """How many of its own standard deviations it departs."""
        return abs(self.here - self.canon) / self.sd if self.sd > 0 else 0.0


def departures(
    fitted: FittedHead,
    places: Mapping[str, Array],
    covariance: Array,
    canons: Sequence[Canon],
) -> tuple[Departure, ...]:
    """What departs most first; `places` and `covariance` as they were fitted, by the names that
    were used. A length that is nearly seen from its end, or whose points are not sighted, tells
    nothing."""
    made = []
    for canon in canons:
        over = _told(canon.over, places)
        by = _told(canon.by, places)
        if over and by:
            found = _depart(canon, over, by, fitted, places, covariance)
            if found is not None:
                made.append(found)
    return tuple(sorted(made, key=lambda each: -each.off))


def _told(pairs: Sequence[Pair], places: Mapping[str, Array]) -> tuple[Pair, ...]:
    return tuple((a, b) for a, b in pairs if a in places and b in places)


def _depart(
    canon: Canon,
    over: tuple[Pair, ...],
    by: tuple[Pair, ...],
    fitted: FittedHead,
    places: Mapping[str, Array],
    covariance: Array,
) -> Departure | None:
    generic = head_points()
    names = list(places)

    roll = float(fitted.values[2])
    upright = np.array([-np.sin(roll), np.cos(roll)])

    def length(d: Array) -> float:
        if not canon.heights:
            return float(np.linalg.norm(d))
        return abs(float(d @ upright)) if len(d) == 2 else abs(float(d[1]))

    def ratio(at: Mapping[str, Array]) -> float:
        top, bottom = (
            float(np.mean([length(at[a] - at[b]) for a, b in pairs])) for pairs in (over, by)
        )
        return top / max(bottom, SHORTEST)

    def expected(values: Array) -> float:
        return ratio({n: seen(values, generic[n][None])[0] for p in (*over, *by) for n in p})

    here_at = seen(fitted.values, np.array([generic[n] for n in generic]))
    shown = dict(zip(generic, here_at, strict=True))
    size = float(np.exp(fitted.values[3]))
    for a, b in (*over, *by):
        whole = length(generic[a] - generic[b]) * size
        if length(shown[a] - shown[b]) < FORESHORTENED * whole:
            return None
    true = ratio(generic)
    measured, model = ratio(places), expected(fitted.values)
    if measured <= 0 or model <= 0:
        return None
    by_place = np.zeros(2 * len(names))
    for i, name in enumerate(names):
        for axis in (0, 1):
            step = np.zeros(2)
            step[axis] = 1e-5 * size
            more = ratio({**places, name: places[name] + step})
            by_place[2 * i + axis] = (np.log(more) - np.log(measured)) / (1e-5 * size)
    by_value = np.zeros(len(fitted.values))
    for i in range(len(fitted.values)):
        nudge = np.zeros(len(fitted.values))
        nudge[i] = 1e-5
        by_value[i] = (np.log(expected(fitted.values + nudge)) - np.log(model)) / 1e-5
    variance = by_place @ covariance @ by_place + by_value @ fitted.covariance @ by_value
    here = true * measured / model
    sd = here * math.sqrt(max(float(variance), 0.0))
    return Departure(canon.measure, canon.canon, here, sd)
