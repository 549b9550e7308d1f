"""A study's heads as the network has them: fitted, their lines on the picture, what departs, and
what is not sighted yet predicted."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.head import Head
from zirkel.core.heads.canons import Canon, Departure, departures
from zirkel.core.heads.fit import FittedHead, TooLittle, fit_head, seen
from zirkel.core.heads.model import POINT_SD, RINGS, head_points, middle_line, ring

Spot = tuple[float, float]
OFF_LINE = 3.29
"""Of its own standard deviations, from which a point is said to sit off."""


@dataclass(frozen=True, slots=True)
class Predicted:
    """A point not sighted, where it is to be expected, and how surely (root mean square)."""

    at: Spot
    sd: float


@dataclass(frozen=True, slots=True)
class SolvedHead:
    """One head: the fit, the line of symmetry and the rings on the picture in units, departures
    from the canons, predicted points; or why nothing can be told."""

    id: str
    name: str
    fitted: FittedHead | None
    trouble: str | None
    middle: tuple[Spot, ...] = ()
    levels: tuple[tuple[str, tuple[Spot, ...]], ...] = ()
    departures: tuple[Departure, ...] = ()
    predicted: Mapping[str, Predicted] = field(default_factory=dict)
    off: tuple[str, ...] = ()
    """Points that stray further than heads and readings do."""


def solve_head(
    head: Head,
    index: Mapping[str, int],
    places: Array,
    covariance: Array,
    loose: frozenset[str],
    canons: Sequence[Canon],
) -> SolvedHead:
    """From the landmarks' numbers, places (n, 2) in units and covariance (2n, 2n)."""
    own = {
        point: landmark for point, landmark in head.points.items()
        if landmark in index and landmark not in loose
    }  # fmt: skip
    rows = np.array([[2 * index[name], 2 * index[name] + 1] for name in own.values()], dtype=int)
    rows = rows.ravel()
    c = covariance[np.ix_(rows, rows)]
    at = {point: places[index[landmark]] for point, landmark in own.items()}
    try:
        fitted = fit_head(at, c)
    except TooLittle as why:
        return SolvedHead(head.id, head.name, None, str(why))
    used = dict(zip(fitted.names, at.values(), strict=True))
    return SolvedHead(
        head.id, head.name, fitted, None,
        middle=_spots(fitted.seen(middle_line())),
        levels=tuple((name, _spots(fitted.seen(ring(name)))) for name in RINGS),
        departures=departures(fitted, used, c, canons),
        predicted=_predicted(fitted),
        off=tuple(name for name, stray in fitted.strays.items() if stray > OFF_LINE),
    )  # fmt: skip


def _spots(at: Array) -> tuple[Spot, ...]:
    return tuple((float(x), float(y)) for x, y in at)


def _predicted(fitted: FittedHead) -> dict[str, Predicted]:
    made = {}
    own = (POINT_SD * float(np.exp(fitted.values[3]))) ** 2
    for name, point in head_points().items():
        if name in fitted.names:
            continue
        here = fitted.seen(point[None])[0]
        by = np.zeros((2, len(fitted.values)))
        for i in range(len(fitted.values)):
            step = np.zeros(len(fitted.values))
            step[i] = 1e-6
            by[:, i] = (seen(fitted.values + step, point[None])[0] - here) / 1e-6
        spread = by @ fitted.covariance @ by.T + own * np.eye(2)
        made[name] = Predicted((float(here[0]), float(here[1])), float(np.sqrt(spread.trace())))
    return made
