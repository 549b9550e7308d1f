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


@dataclass(frozen=True, slots=True)
class ThreeLines:
    """The start of a landscape or a street: a strong level, a strong upright, and the tilt that
    joins their far ends; each by its two landmarks."""

    level: tuple[str, str]
    upright: tuple[str, str]
    joining: tuple[str, str]


STRONG_DEG = 12.0
"""How far from true a line may be and still serve as the strong level or upright of a start."""


def three_lines(
    places: Mapping[str, Sequence[float]], tiers: Mapping[str, int]
) -> ThreeLines | None:
    """The longest line near the level and the longest near the upright that share an end, large
    shapes before small; None where nothing is near enough to either."""
    pairs = list(combinations(places, 2))
    level = [(a, b) for a, b in pairs if _off(places, a, b, 90.0) < STRONG_DEG]
    upright = [(a, b) for a, b in pairs if _off(places, a, b, 0.0) < STRONG_DEG]
    best: tuple[float, ThreeLines] | None = None
    for a, b in level:
        for near, far in ((a, b), (b, a)):
            for c, d in upright:
                if near not in (c, d) or far in (c, d):
                    continue
                top = d if near == c else c
                span = _length(places, a, b) * _length(places, c, d)
                worth = span / sum(tiers[each] for each in (near, far, top)) ** 2
                if best is None or worth > best[0]:
                    best = worth, ThreeLines((near, far), (near, top), (top, far))
    return None if best is None else best[1]


def crossing(
    places: Mapping[str, Sequence[float]], point: str, first: str, second: str
) -> float | None:
    """At how many degrees the lines from two landmarks cross in a third; None where one of them is
    at the same spot."""
    lines = [_tilt(places, each, point) for each in (first, second)]
    if None in lines:
        return None
    a, b = (float(each) for each in lines if each is not None)
    apart = abs(a - b) % 180.0
    return min(apart, 180.0 - apart)


def better_pair(
    places: Mapping[str, Sequence[float]], point: str, known: Sequence[str]
) -> tuple[str, str] | None:
    """The two of the known landmarks whose lines cross best in a point; None where all are thin."""
    options = [
        (angle, pair)
        for pair in combinations(known, 2)
        if (angle := crossing(places, point, *pair)) is not None and angle >= THIN_DEG
    ]
    return max(options)[1] if options else None


def _tilt(places: Mapping[str, Sequence[float]], a: str, b: str) -> float | None:
    dx, dy = np.subtract(places[b], places[a]).astype(float)
    if float(np.hypot(dx, dy)) < 1e-9:
        return None
    return float(np.degrees(np.arctan2(dx, -dy))) % 180.0


def _off(places: Mapping[str, Sequence[float]], a: str, b: str, true_deg: float) -> float:
    tilt = _tilt(places, a, b)
    if tilt is None:
        return 180.0
    return abs((tilt - true_deg + 90.0) % 180.0 - 90.0)


def _length(places: Mapping[str, Sequence[float]], a: str, b: str) -> float:
    return float(np.hypot(*np.subtract(places[b], places[a])))
