"""What a figure's sighted points tell: heads tall and wide, the line of balance, shoulders against
hips. Nothing beyond what was sighted.

Each measure f is a function of the places; with J its derivative by them and C their covariance its
variance is J C J'.
"""

from __future__ import annotations

import math
from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.head import Figure
from zirkel.core.heads.canons import Canon, Departure, Pair

STEP = 1e-6
SHORTEST = 1e-6

STATURE = "heads tall"
"""The measure by which it is told whose rule a figure is held against: a child has its own."""

UPRIGHT = 0.38
"""The legs' share of the height from which a figure stands: whoever sits shows the shins alone."""

LEGS_FROM = ("crotch", "hip_left", "hip_right")


@dataclass(frozen=True, slots=True)
class Told:
    """A measure and its standard deviation."""

    value: float
    sd: float


@dataclass(frozen=True, slots=True)
class FigureMeasures:
    """Heads tall and wide; how far right of the standing foot the pit of the neck hangs, in heads,
    and which foot that is; tilts of shoulders and hips, degrees clockwise from level. None where
    a point is missing. Of one who stands, how it compares with the nearest of the rules, the
    furthest departure first."""

    id: str
    name: str
    tall: Told | None
    wide: Told | None
    balance: Told | None
    foot: str | None
    shoulders: Told | None
    hips: Told | None
    departures: tuple[Departure, ...] = ()


def measure_figure(
    figure: Figure,
    index: Mapping[str, int],
    places: Array,
    covariance: Array,
    loose: frozenset[str],
    canons: Sequence[Canon] = (),
) -> FigureMeasures:
    """From the landmarks' numbers, places (n, 2) and covariance (2n, 2n); compared with these
    canons."""
    row = {p: index[n] for p, n in figure.points.items() if n in index and n not in loose}

    def told(needed: tuple[str, ...], f: Callable[[Array], float]) -> Told | None:
        if not all(name in row for name in needed):
            return None
        here = f(places)
        if not math.isfinite(here):
            return None
        numbers = sorted({row[name] for name in row})
        by = np.zeros(places.size)
        for number in numbers:
            for axis in (0, 1):
                moved = places.copy()
                moved[number, axis] += STEP
                by[2 * number + axis] = (f(moved) - here) / STEP
        return Told(here, math.sqrt(max(float(by @ covariance @ by), 0.0)))

    def at(p: Array, name: str) -> Array:
        made: Array = p[row[name]]
        return made

    def head(p: Array) -> float:
        return max(float(np.linalg.norm(at(p, "chin") - at(p, "crown"))), SHORTEST)

    def tilt(left: str, right: str) -> Callable[[Array], float]:
        def made(p: Array) -> float:
            d = at(p, right) - at(p, left)
            return math.degrees(math.atan2(d[1], d[0]))

        return made

    feet = [name for name in ("heel_left", "heel_right") if name in row]
    foot = max(feet, key=lambda name: float(places[row[name], 1]), default="")

    def tall(p: Array) -> float:
        lowest = max(float(at(p, name)[1]) for name in feet)
        return (lowest - float(at(p, "crown")[1])) / head(p)

    def wide(p: Array) -> float:
        return float(np.ptp([float(at(p, name)[0]) for name in row])) / head(p)

    def balance(p: Array) -> float:
        return float(at(p, "pit")[0] - at(p, foot)[0]) / head(p)

    return FigureMeasures(
        figure.id,
        figure.name,
        tall=told(("crown", "chin", *feet), tall) if feet else None,
        wide=told(("crown", "chin"), wide),
        balance=told(("crown", "chin", "pit", foot), balance) if foot else None,
        foot=foot or None,
        shoulders=told(
            ("shoulder_left", "shoulder_right"), tilt("shoulder_left", "shoulder_right")
        ),
        hips=told(("hip_left", "hip_right"), tilt("hip_left", "hip_right")),
        departures=_departures(canons, row, places, told),
    )


Asked = Callable[[tuple[str, ...], Callable[[Array], float]], Told | None]


def _departures(
    canons: Sequence[Canon], row: Mapping[str, int], places: Array, told: Asked
) -> tuple[Departure, ...]:
    """Each measure against the canon of whoever comes nearest in stature; none of a figure that
    does not stand."""
    here = {name: places[number] for name, number in row.items()}
    if not _stands(here):
        return ()

    def measured(canon: Canon) -> Told | None:
        over, by = (
            tuple((a, b) for a, b in pairs if a in row and b in row)
            for pairs in (canon.over, canon.by)
        )
        if not over or not by:
            return None

        def ratio(p: Array) -> float:
            return _mean_length(canon, over, p, row) / max(
                _mean_length(canon, by, p, row), SHORTEST
            )

        return told(tuple({name for pair in (*over, *by) for name in pair}), ratio)

    found = [(canon, at) for canon in canons if (at := measured(canon)) is not None]
    statures = [(canon, at) for canon, at in found if canon.measure == STATURE]
    if not statures:
        return ()
    who = min(statures, key=lambda each: abs(each[0].canon - each[1].value))[0].who
    made = [
        Departure(canon.measure, canon.canon, at.value, at.sd, who)
        for canon, at in found
        if canon.who == who
    ]
    return tuple(sorted(made, key=lambda each: -each.off))


def _mean_length(
    canon: Canon, pairs: Sequence[Pair], places: Array, row: Mapping[str, int]
) -> float:
    d = np.array([places[row[b]] - places[row[a]] for a, b in pairs])
    lengths = np.abs(d[:, 1]) if canon.heights else np.hypot(*d.T)
    return float(lengths.mean())


def _stands(here: Mapping[str, Array]) -> bool:
    """Whether the legs take their part of the height; where that isn't known, not."""
    middle = [float(here[name][1]) for name in LEGS_FROM if name in here]
    feet = [float(here[name][1]) for name in ("heel_left", "heel_right") if name in here]
    if "crown" not in here or not middle or not feet:
        return False
    top, lowest = float(here["crown"][1]), max(feet)
    return lowest - middle[0] > UPRIGHT * (lowest - top)
