"""Steps to a least cost: coming near from a thumbnail however poor, then Gauss-Newton.

1. Coming near. From the thumbnail, a few steps solve (N + lambda I) dx = b + lambda (x0 - x) with
   each kind's straight form, where lambda says how far the thumbnail is trusted and shrinks from
   step to step. This is what makes a poor thumbnail harmless.
2. Descending. Gauss-Newton steps N dx = b on the true equations, with Levenberg's damping where a
   step would make matters worse, and Newton's where they shrink slowly. Once they are small, N is
   built no more and the steps are mixed. A ridge of 1e-9 of the mean
   weight keeps directions that nothing holds where the thumbnail has them.

When it stops: steps that shrink by a rate q leave q / (1 - q) of the last one still to go. It stops
when that is below the tolerance, after having looked at the place once more.

Source: K. Levenberg (1944), A method for the solution of certain non-linear problems in least
squares.
"""

from __future__ import annotations

from collections.abc import Callable
from functools import partial
from typing import NamedTuple

import numpy as np
from scipy.linalg import lapack

from zirkel.core.arrays import Array
from zirkel.core.network.assemble import (
    Linear,
    Network,
    curvature,
    downhill,
    linearize,
    linearize_coming_near,
    moved,
)
from zirkel.core.patience import step

TOLERANCE = 4e-10
"""What is left to go, in units, at which the places are right."""

ROUGH_TOLERANCE = 1e-3
"""The same where it only has to be clear whether another solution is better."""

MOST_STEPS, ROUGH_STEPS = 60, 20
RIDGE = 1e-9

HUGE, HUGE_STEPS = 1200, 12
"""Unknowns beyond which a step costs so much that fewer are tried: what has not settled by then is
told as not converged, and not believed to be convincing."""

PLAIN_STEPS, SLOW = 3, 0.3
"""Gauss-Newton steps, and ratio of one step to the one before, from which on the curvature of the
readings is worth its cost."""

POLISHED_BELOW, MOST_POLISHES, REMEMBERED = 5e-3, 20, 5
"""Largest coordinate of a step, in units, from which on N need not be built anew; how many such
steps are tried, and how many are mixed."""

FURTHEST_POLISH = 0.2
"""Largest coordinate of a mixed step, in units."""

LEAP, LEAP_MM = 0.4, 60.0
"""Longest step of one coordinate at a time, in units and where readings are millimetres."""

THUMBNAIL_SIGMAS = (0.5, 1.0, 3.0)
"""How far off, in units, the thumbnail is taken to be at each step of coming near."""


class Descent(NamedTuple):
    """Where the steps led: places (n, 2), drifts (t,), and the network linearized there."""

    places: Array
    drifts: Array
    linear: Linear
    steps: int
    converged: bool


def come_near(net: Network, weight: Array, start: Array) -> tuple[Array, Array]:
    """Places (n, 2) near the solution, from a thumbnail however poor, and drifts of 0."""
    places, drifts = start, np.zeros(len(net.takes))
    kept = unknown_places(net, places)
    for sigma in THUMBNAIL_SIGMAS:
        linear = linearize_coming_near(net, places, weight)
        pull = (kept - unknown_places(net, places)) * sigma**-2
        held = linear.normal
        held.reshape(-1)[:: len(held) + 1] += sigma**-2
        factor = _factor(held)
        if factor is not None:
            places, _ = moved(net.datum, places, drifts, _solve(factor, linear.rhs + pull))
    return places, drifts


def unknown_places(net: Network, places: Array) -> Array:
    """The unknowns (u,) that these places stand for; drifts as 0."""
    full = np.append(places.ravel(), np.zeros(len(net.takes) + 1))
    x = np.zeros(net.datum.unknowns)
    free = net.datum.gain > 0
    x[net.datum.column[free]] = full[free]
    return x


def descend(
    net: Network, begin: tuple[Array, Array], weight: Array, tolerance: float = TOLERANCE
) -> Descent:
    """Damped steps from (places, drifts) to a least cost: Gauss-Newton, then Newton where that is
    slow; the last ones polished."""
    here = begin
    best = linearize(net, *here, weight)
    damping, bent, before, slow = 0.0, None, np.inf, False
    most = MOST_STEPS if tolerance < ROUGH_TOLERANCE else ROUGH_STEPS
    most = most if net.datum.unknowns <= HUGE else HUGE_STEPS
    for count in range(1, most + 1):
        step("adjusting the readings")
        if slow and bent is None:
            bent = best.normal - curvature(net, *here, best.misfit * weight)
        factor = _factor(_damped(best.normal, bent, damping))
        if factor is None:
            damping = max(1e-3, 10.0 * damping)
            continue
        plain = _solve(factor, best.rhs)
        size = _largest(plain)
        if size < POLISHED_BELOW and not damping:
            near, done = polished(net, here, best.cost, partial(_solve, factor), weight, tolerance)
            if near is not here or done:
                here, best = near, linearize(net, *near, weight)
            if done:
                return Descent(*here, best, count, True)
            before, slow = np.inf, True
            continue
        there = moved(net.datum, *here, _no_leap(net, plain))
        trial = linearize(net, *there, weight)
        if trial.cost <= best.cost * (1.0 + 1e-12) + 1e-12:
            here, best, bent = there, trial, None
            if not damping and _left_to_go(size, before) < tolerance:
                return Descent(*here, best, count, True)
            slow = slow or (count > PLAIN_STEPS and size > SLOW * before)
            before = size
            damping = 0.0 if damping < 1e-4 else 0.1 * damping
        else:
            damping = max(1e-3, 10.0 * damping)
    return Descent(*here, best, most, False)


def polished(
    net: Network,
    here: tuple[Array, Array],
    cost: float,
    inverse: Callable[[Array], Array],
    weight: Array,
    tolerance: float = TOLERANCE,
) -> tuple[tuple[Array, Array], bool]:
    """Small steps with the same inverse of N, or nearly that, and whether they came to an end.

    Such steps s shrink by a constant factor in each direction. Mixing the last few of them cancels
    what they share of error: with dS the differences of the steps and dX those of the places,
    g makes |s - dS g| least and the step is s - (dX + dS) g (D. Anderson (1965), Iterative
    procedures for nonlinear integral equations).
    """
    before = np.inf
    steps: list[Array] = []
    taken: list[Array] = []
    for _ in range(MOST_POLISHES):
        rhs, now = downhill(net, *here, weight)
        if now > cost * (1.0 + 1e-9) + 1e-9:
            break
        cost = min(cost, now)
        plain = inverse(rhs)
        size = _largest(plain)
        step = plain
        if steps:
            recent = [*steps[1:], plain]
            change = np.array([b - a for a, b in zip(steps, recent, strict=True)])
            g = np.linalg.lstsq(change.T, plain, rcond=1e-10)[0]
            step = plain - g @ (np.array(taken) + change)
        if not np.isfinite(step).all() or _largest(step) > FURTHEST_POLISH:
            break
        here = moved(net.datum, *here, step)
        if _left_to_go(size, before) < tolerance:
            return here, True
        before = size
        steps, taken = [*steps, plain][-REMEMBERED:], [*taken, step][-REMEMBERED:]
    return here, False


def _left_to_go(size: float, before: float) -> float:
    """What steps of this size after one of that leave to go, if they go on shrinking alike."""
    if not np.isfinite(before) or not before:
        return size
    rate = size / before
    return size * rate / (1.0 - rate) if rate < 0.9 else np.inf


def _no_leap(net: Network, step: Array) -> Array:
    """The step, shortened so that no landmark leaps over its neighbours into a mirror image."""
    longest = _largest(step[: net.datum.unknowns - len(net.takes)])
    leap = LEAP_MM if net.in_mm else LEAP
    return step * (leap / longest) if longest > leap else step


def _largest(step: Array) -> float:
    return float(np.abs(step).max()) if len(step) else 0.0


def _damped(normal: Array, bent: Array | None, damping: float) -> Array:
    u = len(normal)
    out = (normal if bent is None else bent).copy()
    mean = float(normal.trace()) / max(1, u)
    out.reshape(-1)[:: u + 1] += RIDGE * mean + 1e-12
    if damping:
        out.reshape(-1)[:: u + 1] += damping * np.maximum(normal.diagonal(), 1e-3 * mean)
    return out


def _factor(normal: Array) -> Array | None:
    """The Cholesky factor, or None where the matrix is not positive definite."""
    if not len(normal):
        return normal
    factor, failed = lapack.dpotrf(normal, lower=1, clean=0)
    return None if failed else np.asarray(factor)


def _solve(factor: Array, rhs: Array) -> Array:
    if not len(rhs):
        return rhs
    solution: Array = lapack.dpotrs(factor, rhs, lower=1)[0]
    return solution
