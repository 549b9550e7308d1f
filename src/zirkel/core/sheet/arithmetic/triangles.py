"""Triangulation: which two tilts fix a point well, and which do not.

A tilt carried with an error of d radians over a distance r puts the line r d to its side, on top of
what the point it starts from is itself off *across* the line: with n the line's normal and S that
point's covariance, the line's variance is n'S n + (r d)^2. Two lines that cross fix the point at
G^-1 of both, G = (n, m): below 30 degrees that is more than twice as bad as square. An error along
the line does no harm, so only the component across it counts.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from itertools import combinations

import numpy as np

from zirkel.core.arrays import Array

THIN_DEG = 30.0
TILT_DEG = 1.0


@dataclass(frozen=True, slots=True)
class Triangle:
    """A point fixed by tilts from two others: the angle at which they cross, and the root mean
    square distance by which it may be off, in the places' own unit."""

    point: str
    first: str
    second: str
    crossing_deg: float
    error: float


def long_base(places: Mapping[str, Sequence[float]], tiers: Mapping[str, int]) -> tuple[str, str]:
    """The two landmarks of the large shapes that are furthest apart."""
    large = [name for name in places if tiers[name] == min(tiers[each] for each in places)]
    if len(large) < 2:
        return large[0], next(name for name in places if name != large[0])
    return max(
        combinations(large, 2),
        key=lambda ab: float(np.hypot(*np.subtract(places[ab[0]], places[ab[1]]))),
    )


def best_triangles(
    places: Mapping[str, Sequence[float]], tiers: Mapping[str, int], base: tuple[str, str]
) -> tuple[list[Triangle], list[str]]:
    """A triangle for each landmark from those before it, large shapes first, beginning with the two
    ends of the base; and the landmarks that only thin ones reach."""
    spread: dict[str, Array] = {name: np.zeros((2, 2)) for name in base}
    left = [name for name in places if name not in base]
    made: list[Triangle] = []
    while left:
        options = [found for name in left if (found := _best(name, spread, places)) is not None]
        if not options:
            break
        tier = min(tiers[each.point] for each, _ in options)
        chosen, own = min(
            (option for option in options if tiers[option[0].point] == tier),
            key=lambda option: option[0].error,
        )
        made.append(chosen)
        spread[chosen.point] = own
        left.remove(chosen.point)
    return made, left


def _best(
    name: str, spread: Mapping[str, Array], places: Mapping[str, Sequence[float]]
) -> tuple[Triangle, Array] | None:
    lines = [line for each in spread if (line := _line(name, each, spread, places)) is not None]
    best: tuple[Triangle, Array] | None = None
    for (a, n, va), (b, m, vb) in combinations(lines, 2):
        sine = abs(float(n[0] * m[1] - n[1] * m[0]))
        if sine < np.sin(np.radians(THIN_DEG)):
            continue
        inverse = np.linalg.inv(np.array([n, m]))
        own = inverse @ np.diag([va, vb]) @ inverse.T
        error = float(np.sqrt(np.trace(own)))
        if best is None or error < best[0].error:
            crossing = float(np.degrees(np.arcsin(min(sine, 1.0))))
            best = Triangle(name, a, b, crossing, error), own
    return best


def _line(
    name: str, start: str, spread: Mapping[str, Array], places: Mapping[str, Sequence[float]]
) -> tuple[str, Array, float] | None:
    """The line from a known point: where it starts, its normal (2,) and its variance across."""
    d = np.subtract(places[name], places[start]).astype(float)
    length = float(np.hypot(*d))
    if length < 1e-9:
        return None
    n = np.array([-d[1], d[0]]) / length
    return start, n, float(n @ spread[start] @ n) + (length * np.radians(TILT_DEG)) ** 2
