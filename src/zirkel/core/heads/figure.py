"""What a figure's sighted points tell: heads tall and wide, the line of balance, shoulders against
hips. Nothing beyond what was sighted.

Each measure f is a function of the places; with J its derivative by them and C their covariance its
variance is J C J'.
"""

from __future__ import annotations

import math
from collections.abc import Callable, Mapping
from dataclasses import dataclass

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.head import Figure

STEP = 1e-6
SHORTEST = 1e-6


@dataclass(frozen=True, slots=True)
class Told:
    """A measure and its standard deviation."""

    value: float
    sd: float


@dataclass(frozen=True, slots=True)
class FigureMeasures:
    """Heads tall and wide; how far right of the standing foot the pit of the neck hangs, in heads,
    and which foot that is; tilts of shoulders and hips, degrees clockwise from level. None where
    a point is missing."""

    id: str
    name: str
    tall: Told | None
    wide: Told | None
    balance: Told | None
    foot: str | None
    shoulders: Told | None
    hips: Told | None


def measure_figure(
    figure: Figure,
    index: Mapping[str, int],
    places: Array,
    covariance: Array,
    loose: frozenset[str],
) -> FigureMeasures:
    """From the landmarks' numbers, places (n, 2) and covariance (2n, 2n)."""
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
    )
