"""A curve as the fewest straight strokes within a tolerance: the exact optimum.

Problem: a traced curve p_0 … p_n. A stroke goes from one of its points to a later one, and may
stand for all points between if none is further from it than the tolerance. Wanted are the fewest
strokes
from p_0 to p_n, and of those the ones that lie closest, by the sum of squared distances.

Whether a stroke from i to j serves: no point between is further than the tolerance from the
segment if and only if none is further from the ray from i through j, nor from the ray from j
through i. From i, point k keeps to the tolerance for directions within asin(tol / |p_k - p_i|) of
its own, so the directions that serve all points up to j are an interval that only shrinks (J.
O'Rourke (1981), An on-line algorithm for fitting straight lines between data ranges). Then
dynamic programming over the points (R. Bellman (1961), On the approximation of curves by line
segments): the least number of strokes to j is one more than the least to any i from which j can
be reached. O(n²).
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from zirkel.core.arrays import Array

MOST_POINTS = 5000


@dataclass(frozen=True, slots=True)
class Stroke:
    """One straight stroke: numbers of the points it joins, its length, and its tilt in degrees."""

    start: int
    end: int
    length: float
    tilt_deg: float
    furthest: float
    """How far the furthest point that it stands for lies from it."""


def fewest_strokes(points: Sequence[Sequence[float]], tolerance: float) -> tuple[Stroke, ...]:
    """The strokes for points (n, 2), y down; lengths and the tolerance in the points' own unit.

    ValueError for fewer than two points, too many, or a tolerance that isn't above zero.
    """
    p = np.asarray(points, dtype=float)
    if len(p) < 2:
        raise ValueError("a curve needs two points at least")
    if len(p) > MOST_POINTS:
        raise ValueError(f"the curve has {len(p)} points: trace it with at most {MOST_POINTS}")
    if not tolerance > 0:
        raise ValueError("the tolerance must be more than 0")
    serves = _reaches(p, tolerance)
    serves &= _reaches(p[::-1], tolerance)[::-1, ::-1].T
    before = _chain(serves, _squares(p))
    made = []
    j = len(p) - 1
    while j > 0:
        made.append(_stroke(p, before[j], j))
        j = before[j]
    return tuple(reversed(made))


def _reaches(p: Array, tolerance: float) -> NDArray[np.bool_]:
    """(n, n): whether no point between i and j is further than the tolerance from the ray i→j."""
    n = len(p)
    made = np.zeros((n, n), dtype=bool)
    for i in range(n - 1):
        d = p[i + 1 :] - p[i]
        r = np.hypot(d[:, 0], d[:, 1])
        far = r > tolerance
        if not far.any():
            made[i, i + 1 :] = True
            continue
        first = int(np.argmax(far))
        angle = np.arctan2(d[:, 1], d[:, 0]) - np.arctan2(d[first, 1], d[first, 0])
        angle -= 2.0 * np.pi * np.round(angle / (2.0 * np.pi))
        half = np.where(far, np.arcsin(np.minimum(tolerance / np.maximum(r, tolerance), 1.0)), 9.0)
        low = np.maximum.accumulate(angle - half)
        high = np.minimum.accumulate(angle + half)
        made[i, i + 1] = True
        # The end lies on its own ray, so only what lies between it and i narrows the directions.
        inside = (angle[1:] >= low[:-1] - 1e-12) & (angle[1:] <= high[:-1] + 1e-12)
        # An end at the very start gives no ray: it serves if nothing between is far away.
        nowhere = r[1:] < 1e-12
        none_far = ~np.logical_or.accumulate(far)[:-1]
        made[i, i + 2 :] = np.where(nowhere, none_far, inside)
    return made


def _squares(p: Array) -> tuple[Array, ...]:
    """Running sums from which the squared distances of a run of points from a line follow."""
    x, y = p.T
    zero = np.zeros(1)
    running = [
        np.concatenate([zero, np.cumsum(each)])
        for each in (np.ones(len(p)), x, y, x * x, y * y, x * y)
    ]
    return (*running, x, y)


def _misfit(sums: tuple[Array, ...], i: NDArray[np.int_], j: int) -> Array:
    """Sum of squared distances of the points from i to j from the lines i→j, for many i."""
    one, sx, sy, sxx, syy, sxy = (each[j + 1] - each[i] for each in sums[:6])
    x, y = sums[6:]
    dx, dy = x[j] - x[i], y[j] - y[i]
    length = np.maximum(np.hypot(dx, dy), 1e-12)
    nx, ny = -dy / length, dx / length
    c = nx * x[i] + ny * y[i]
    made = nx**2 * sxx + ny**2 * syy + 2 * nx * ny * sxy - 2 * c * (nx * sx + ny * sy) + c**2 * one
    return np.maximum(made, 0.0)


def _chain(serves: NDArray[np.bool_], sums: tuple[Array, ...]) -> list[int]:
    """For each point the one before it on the best chain of strokes from the first."""
    n = len(serves)
    count = np.full(n, n + 1)
    loss = np.full(n, np.inf)
    before = [0] * n
    count[0], loss[0] = 0, 0.0
    for j in range(1, n):
        options = np.flatnonzero(serves[:j, j])
        fewest = options[count[options] == count[options].min()]
        total = loss[fewest] + _misfit(sums, fewest, j)
        best = int(np.argmin(total))
        before[j] = int(fewest[best])
        count[j], loss[j] = count[fewest[best]] + 1, total[best]
    return before


def _stroke(p: Array, i: int, j: int) -> Stroke:
    d = p[j] - p[i]
    return Stroke(
        start=i,
        end=j,
        length=float(np.hypot(*d)),
        tilt_deg=float(np.degrees(np.arctan2(d[0], -d[1])) % 180.0),
        furthest=float(distances(p[i + 1 : j], p[i], p[j]).max(initial=0.0)),
    )


def distances(points: Array, a: Array, b: Array) -> Array:
    """(k,) distances of points (k, 2) from the segment between a and b."""
    d = b - a
    square = float(d @ d)
    t = np.clip((points - a) @ d / square, 0.0, 1.0) if square > 0 else np.zeros(len(points))
    rest = points - a - t[:, None] * d
    return np.hypot(rest[:, 0], rest[:, 1])
