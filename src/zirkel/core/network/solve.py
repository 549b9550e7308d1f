"""What the readings say, in plain records: places, loose landmarks, readings, doubts, takes.

This is the answer of `zirkel solve`. What cannot be known is None, never a number.
"""

from __future__ import annotations

import math
from collections.abc import Mapping
from dataclasses import dataclass

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.network.adjust import Adjustment, place_covariance, place_looseness
from zirkel.core.network.assemble import DRIFT_SIGMA
from zirkel.core.network.doubts import Doubt, judge, order_gap
from zirkel.core.network.extent import likely_places, nowhere
from zirkel.core.network.search import adjust
from zirkel.core.study import Study

LOOSE_SHARE = 1e-6
"""Share of a loose direction on a landmark below which the landmark is held against it."""

SIGNIFICANT_DRIFT = 2.81
"""Standard deviations from which a take's drift is worth a word (two-sided alpha = 0.005)."""

FREE_SIGMA = 1.0
"""Standard deviation that leaves a drift to its readings alone, when takes are compared."""

TELLING_SD = 0.03
"""Standard deviation of the difference between takes above which no usual drift would show."""


@dataclass(frozen=True, slots=True)
class Place:
    """Where a landmark is, in units, how sure that is, and where it is drawn meanwhile.

    `held_x` and `held_y` are always numbers: in a loose direction, and where the place is known so
    poorly that it says nothing (`nowhere`), they keep to the thumbnail.
    """

    x: float | None
    y: float | None
    sd_x: float | None
    sd_y: float | None
    corr: float | None
    held_x: float
    held_y: float
    nowhere: bool = False


@dataclass(frozen=True, slots=True)
class Loose:
    """A landmark that could still slide anywhere: level, plumb, both, or along a tilt (degrees)."""

    landmark: str
    direction: str | float


@dataclass(frozen=True, slots=True)
class Checked:
    """How one reading fits: residual in its own unit, standardized, and how well it is checked."""

    residual: float
    standardized: float | None
    redundancy: float | None


@dataclass(frozen=True, slots=True)
class Take:
    """A take's drift as a share, and its sd.

    `apart` is by how much the take differs from the others by its own readings alone, without
    believing beforehand that it should not; `significant` whether that is more than chance, `thin`
    whether a usual drift would not show.
    """

    drift: float
    sd: float
    significant: bool
    apart: float
    thin: bool


@dataclass(frozen=True, slots=True)
class Solution:
    """All that the network tells; `adjusted` is what it was worked out from."""

    landmarks: Mapping[str, Place]
    loose: tuple[Loose, ...]
    readings: Mapping[str, Checked]
    doubts: tuple[Doubt, ...]
    takes: Mapping[str, Take]
    variance_factor: float | None
    scatter: float
    """By how much all readings scatter more than believed; 1 where they do not."""
    adjusted: Adjustment


def solve(study: Study, before: Adjustment | None = None) -> Solution:
    """Adjust the study's readings and say what they tell. Never raises on a valid study.

    `before` is the adjustment of an earlier version, to start from.
    """
    adjusted = adjust(study, before)
    judged = judge(adjusted)
    looseness = place_looseness(adjusted)
    names = adjusted.network.ids
    held = not adjusted.loose.shape[1]
    directions = [None if held else slide_direction(each) for each in looseness]
    return Solution(
        landmarks=_places(adjusted, directions),
        loose=tuple(
            Loose(name, direction)
            for name, direction in zip(names, directions, strict=True)
            if direction is not None
        ),
        readings=_readings(adjusted),
        doubts=judged.doubts,
        takes=_takes(adjusted, judged.scatter),
        variance_factor=adjusted.variance_factor,
        scatter=judged.scatter,
        adjusted=adjusted,
    )


def slide_direction(looseness: Array) -> str | float | None:
    """Which way a landmark is loose, from its (2, 2) share of the loose directions."""
    values, vectors = np.linalg.eigh(looseness)
    if values[1] < LOOSE_SHARE:
        return None
    if values[0] > LOOSE_SHARE * max(1.0, float(values[1])):
        return "both"
    dx, dy = vectors[:, 1]
    if abs(dy) < 1e-6:
        return "level"
    if abs(dx) < 1e-6:
        return "plumb"
    return math.degrees(math.atan2(dx, -dy)) % 180.0


def _places(adjusted: Adjustment, directions: list[str | float | None]) -> dict[str, Place]:
    covariance = place_covariance(adjusted)
    places = adjusted.places.tolist()
    sds = np.sqrt(np.maximum(covariance[:, (0, 1), (0, 1)], 0.0)).tolist()
    shared = covariance[:, 0, 1].tolist()
    away = nowhere(adjusted)
    likely = likely_places(adjusted, away).tolist()
    made = {}
    for i, name in enumerate(adjusted.network.ids):
        x, y = places[i]
        knows_x = directions[i] in (None, "plumb")
        knows_y = directions[i] in (None, "level")
        sd_x, sd_y = sds[i]
        both = knows_x and knows_y
        corr = shared[i] / (sd_x * sd_y) if both and sd_x * sd_y > 0 else 0.0
        made[name] = Place(
            x=x if knows_x else None,
            y=y if knows_y else None,
            sd_x=sd_x if knows_x else None,
            sd_y=sd_y if knows_y else None,
            corr=min(1.0, max(-1.0, corr)) if both else None,
            held_x=likely[i][0],
            held_y=likely[i][1],
            nowhere=bool(away[i]),
        )
    return made


def _readings(adjusted: Adjustment) -> dict[str, Checked]:
    net = adjusted.network
    row_of = net.row_of()
    covariance: Array | None = None
    standardized = adjusted.standardized.tolist()
    residual, redundancy = adjusted.linear.residual.tolist(), adjusted.redundancy.tolist()
    made = {}
    for each in net.study.sightings:
        if each.struck:
            continue
        if not each.holds:
            covariance = place_covariance(adjusted) if covariance is None else covariance
            gap, sd = order_gap(adjusted, covariance, each)
            made[each.id] = Checked(min(gap, 0.0), min(gap, 0.0) / sd, None)
            continue
        row = row_of[each.id]
        w = standardized[row]
        made[each.id] = Checked(
            residual=residual[row] / each.inside,
            standardized=None if math.isnan(w) else w,
            redundancy=redundancy[row],
        )
    return made


def _takes(adjusted: Adjustment, scatter: float) -> dict[str, Take]:
    """Each take against the mean of the others, or against 0 where it is the only one.

    The adjustment expects every drift to be 0 give or take DRIFT_SIGMA, which draws what it finds
    towards 0. With C the covariance of the t drifts and e their estimates, the readings alone say
    J = C^-1 - I / DRIFT_SIGMA^2 and J e' = C^-1 e: the drifts are compared by that.
    """
    names = adjusted.network.takes
    t = len(names)
    if not t:
        return {}
    own = adjusted.cofactor[-t:, -t:]
    told = np.linalg.inv(own)
    alone = np.linalg.inv(told + np.eye(t) * (FREE_SIGMA**-2 - DRIFT_SIGMA**-2))
    free = alone @ told @ adjusted.drifts
    made = {}
    for i, name in enumerate(names):
        contrast = np.full(t, -1.0 / (t - 1) if t > 1 else 0.0)
        contrast[i] = 1.0
        apart = float(contrast @ free)
        spread = math.sqrt(max(float(contrast @ alone @ contrast), 0.0)) * scatter
        made[name] = Take(
            drift=float(adjusted.drifts[i]),
            sd=math.sqrt(float(own[i, i])),
            significant=abs(apart) > SIGNIFICANT_DRIFT * spread,
            apart=apart,
            thin=t > 1 and spread > TELLING_SD,
        )
    return made
