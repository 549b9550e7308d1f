"""The weighted least-squares adjustment of a study's readings (Gauss-Markov model).

Problem: find the places of all landmarks and the drift of each take that make the sum of squared
(residual / sigma) least. With the notation of `assemble`:

1. Coming near. From the thumbnail, a few steps solve (N + lambda I) dx = b + lambda (x0 - x) with
   each kind's straight form, where lambda says how far the thumbnail is trusted and shrinks from
   step to step. This is what makes a poor thumbnail harmless.
2. Adjustment. Gauss-Newton steps N dx = b on the true equations, with Levenberg's damping where a
   step would make matters worse. A ridge of 1e-9 of the mean weight keeps directions that nothing
   holds where the thumbnail has them. It stops with the first step that moves no unknown by more
   than 1e-7, which leaves them right to about a tenth of that.
3. What is known. Q = N^-1 is the covariance of the unknowns from the a-priori sigmas. Where N has
   not full rank, its null space says which landmarks are loose and in which direction, and Q is
   the pseudo-inverse: right for all that can be known.
4. How well each reading is checked. With h_i = a_i Q a_i' the redundancy number is r_i = 1 - h_i
   and the standardized residual w_i = v_i / (sigma_i sqrt(r_i)).

Sources: the Gauss-Markov model as used in surveying; W. Baarda (1968), A testing procedure for use
in geodetic networks (redundancy numbers, standardized residuals); K. Levenberg (1944), A method
for the solution of certain non-linear problems in least squares.
"""

from __future__ import annotations

from collections.abc import Iterable, Iterator
from dataclasses import dataclass, replace
from typing import NamedTuple

import numpy as np
from scipy.linalg import lapack
from scipy.special import ndtri

from zirkel.core.network.assemble import (
    Linear,
    Network,
    build,
    curvature,
    gains,
    linearize,
    linearize_coming_near,
    moved,
)
from zirkel.core.network.kinds.base import Array
from zirkel.core.network.second_look import elsewhere, put_right, strained
from zirkel.core.network.start import on_datum, thumbnail_places
from zirkel.core.study import Study

STEP_TOLERANCE = 1e-7
MOST_STEPS = 60
RIDGE = 1e-9
RANK_TOLERANCE = 1e-10
LEAST_REDUNDANCY = 1e-6
"""Below this a reading is checked by nothing, and its residual has no scale to judge it by."""

MOST_LOOKS = 5
MOST_MOVED = 5
MOST_SHAKES = 4
SHAKE = 0.35
"""Rounds of a second look, landmarks tried elsewhere in each, further tries from a shaken
thumbnail, and by how many units it is shaken."""

PLAIN_STEPS, SLOW = 3, 0.3
"""Gauss-Newton steps, and ratio of one step to the one before, from which on the curvature of the
readings is worth its cost."""

NEARLY_THERE = 1e-6
"""Step from which on a few more plain ones cost less than the curvature."""

ROUGH_TOLERANCE = 1e-3
"""Step at which it is clear enough whether another solution is better."""

FEW_WRONG = 2
"""Wrong readings that are expected now and then, and no reason to doubt the whole."""

AS_TAPPED = 0.3
"""How far, in units, a landmark may lie from where it was tapped and still be the one meant."""

BY_CHANCE, CONVINCING_COST = 0.03, 1.65
"""Chance, over all readings, of a standardized residual as large as the largest, and excess of the
cost in its own standard deviations, up to which a solution is not suspected of being a mirror
image."""

EFFORT = 200
"""Landmarks times tries of each sort: large networks get fewer."""

LEAP, LEAP_MM = 0.4, 60.0
"""Longest step of one coordinate at a time, in units and where readings are millimetres."""

THUMBNAIL_SIGMAS = (0.5, 1.0, 3.0)
"""How far off, in units, the thumbnail is taken to be at each step of coming near."""


@dataclass(frozen=True, slots=True)
class Adjustment:
    """Estimate, covariance and residuals of one network.

    places (n, 2) in units, held where the thumbnail has them in loose directions; drifts (t,);
    misfit (m,) reading minus fitted value over sigma; redundancy (m,); standardized (m,), nan
    where a reading is checked by nothing; cofactor (u, u); loose (u, k) an orthonormal basis of
    the directions that nothing holds, k = 0 if none; `weight` (m,) is 1/sigma or 0 if set aside.
    """

    network: Network
    places: Array
    drifts: Array
    misfit: Array
    redundancy: Array
    standardized: Array
    cofactor: Array
    loose: Array
    linear: Linear
    weight: Array
    cost: float
    steps: int
    converged: bool

    @property
    def convincing(self) -> bool:
        """Whether the readings agree well enough not to suspect a mirror image."""
        strain = np.abs(self.standardized[self.weight > 0])
        if not self.converged or (strain > -ndtri(BY_CHANCE / (len(strain) + 1))).any():
            return False
        return self.cost <= self.freedom + CONVINCING_COST * np.sqrt(2.0 * max(self.freedom, 1))

    @property
    def freedom(self) -> int:
        """Degrees of freedom: readings and expected drifts less what they determine."""
        used = int(np.count_nonzero(self.weight)) + len(self.drifts)
        return used - (self.network.datum.unknowns - self.loose.shape[1])

    @property
    def variance_factor(self) -> float | None:
        """Mean squared misfit over its expectation; None where nothing is redundant."""
        return self.cost / self.freedom if self.freedom > 0 else None


class Descent(NamedTuple):
    """Where the steps led: places (n, 2), drifts (t,), and the network linearized there."""

    places: Array
    drifts: Array
    linear: Linear
    steps: int
    converged: bool


def adjust(study: Study) -> Adjustment:
    """Adjust all readings of a study that hold and are not struck."""
    net = build(study, on_datum(study, thumbnail_places(study)))
    weight = 1.0 / net.sigma
    found = conclude(net, descend(net, come_near(net, weight, net.start), weight), weight)
    if found.convincing:
        return found
    found = put_right_while_better(found)
    if explained_by_few(found):
        return found
    for begin in other_beginnings(net, weight):
        again = conclude(net, descend(net, begin, weight), weight)
        found = put_right_while_better(min(found, again, key=lambda each: each.cost))
        if found.convincing:
            break
    return found


def explained_by_few(found: Adjustment) -> bool:
    """Whether a wrong reading or two are enough to explain why the readings do not agree.

    Only believed where every strained landmark is about where it was tapped: one that has landed
    elsewhere is more likely in a mirror image.
    """
    net = found.network
    away = found.places - net.start
    away -= np.median(away, axis=0)
    doubtful = strained(net, found.standardized)
    if (np.hypot(*away[doubtful].T) > AS_TAPPED * (LEAP_MM / LEAP if net.in_mm else 1.0)).any():
        return False
    for _ in range(FEW_WRONG):
        if found.convincing:
            return True
        weight = found.weight.copy()
        weight[int(np.argmax(np.nan_to_num(np.abs(found.standardized))))] = 0.0
        found = readjust(found, weight)
    return found.convincing


def other_beginnings(net: Network, weight: Array) -> Iterator[tuple[Array, Array]]:
    """Where else to begin: with the unit's end on whichever side the readings have it, then from
    the thumbnail shaken, with a fixed seed, so that the same study always gives the same answer."""
    free = build(replace(net.study, unit=None), net.start)
    places, _ = come_near(free, weight, free.start)
    yield come_near(net, weight, on_datum(net.study, places))
    shake = np.random.default_rng(len(net.ids))
    for _ in range(min(MOST_SHAKES, EFFORT // max(1, len(net.ids)))):
        shaken = places + shake.normal(0.0, SHAKE, places.shape)
        yield come_near(net, weight, on_datum(net.study, shaken))


def put_right_while_better(found: Adjustment) -> Adjustment:
    """Put strained landmarks where their readings agree and descend again, while it helps:
    all together first; one at a time where a wrong reading or two would not explain the strain."""
    net, weight = found.network, found.weight
    most = min(MOST_MOVED, EFFORT // max(1, len(net.ids)))
    for _ in range(min(MOST_LOOKS, most)):
        if found.convincing:
            break
        doubtful = strained(net, found.standardized)
        better = _first_better(found, [put_right(net, found.places, weight, doubtful)])
        if better is None and not explained_by_few(found):
            moves = (elsewhere(net, found.places, weight, int(i)) for i in doubtful[:most])
            better = _first_better(found, moves)
        if better is None:
            break
        found = better
    return found


def _first_better(found: Adjustment, moves: Iterable[Array]) -> Adjustment | None:
    net, weight = found.network, found.weight
    for places in moves:
        begin = (on_datum(net.study, places), np.zeros_like(found.drifts))
        near = descend(net, begin, weight, ROUGH_TOLERANCE)
        if near.linear.cost < found.cost * (1.0 - 1e-3):
            again = conclude(net, descend(net, near[:2], weight), weight)
            if again.cost < found.cost:
                return again
    return None


def readjust(before: Adjustment, weight: Array) -> Adjustment:
    """Adjust again from where the last adjustment ended, with other weights (m,)."""
    net = before.network
    return conclude(net, descend(net, (before.places, before.drifts), weight), weight)


def come_near(net: Network, weight: Array, start: Array) -> tuple[Array, Array]:
    """Places (n, 2) near the solution, from a thumbnail however poor, and drifts of 0."""
    places, drifts = start, np.zeros(len(net.takes))
    kept = unknown_places(net, places)
    for sigma in THUMBNAIL_SIGMAS:
        linear = linearize_coming_near(net, places, weight)
        pull = (kept - unknown_places(net, places)) * sigma**-2
        held = linear.normal
        held.reshape(-1)[:: len(held) + 1] += sigma**-2
        step = _solve(held, linear.rhs + pull)
        if step is not None:
            places, _ = moved(net.datum, places, drifts, step)
    return places, drifts


def unknown_places(net: Network, places: Array) -> Array:
    """The unknowns (u,) that these places stand for; drifts as 0."""
    full = np.append(places.ravel(), np.zeros(len(net.takes) + 1))
    x = np.zeros(net.datum.unknowns)
    free = net.datum.gain > 0
    x[net.datum.column[free]] = full[free]
    return x


def descend(
    net: Network, begin: tuple[Array, Array], weight: Array, tolerance: float = STEP_TOLERANCE
) -> Descent:
    """Damped steps from (places, drifts) to a least cost: Gauss-Newton, then Newton where that is
    slow."""
    here = begin
    best = linearize(net, *here, weight)
    damping, bent, before, slow = 0.0, None, np.inf, False
    for count in range(1, MOST_STEPS + 1):
        if slow and bent is None:
            bent = best.normal - curvature(net, *here, best.misfit * weight)
        step = _solve(_damped(best.normal, bent, damping), best.rhs)
        if step is None:
            damping = max(1e-3, 10.0 * damping)
            continue
        step = _no_leap(net, step)
        size = _largest(step)
        there = moved(net.datum, *here, step)
        if size < tolerance:
            return Descent(*there, best, count, True)
        slow = slow or (count > PLAIN_STEPS and size > max(SLOW * before, NEARLY_THERE))
        before = size
        trial = linearize(net, *there, weight)
        if trial.cost <= best.cost * (1.0 + 1e-12) + 1e-12:
            here, best, bent = there, trial, None
            damping = 0.0 if damping < 1e-4 else 0.1 * damping
        else:
            damping = max(1e-3, 10.0 * damping)
    return Descent(*here, best, MOST_STEPS, False)


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


def _solve(normal: Array, rhs: Array) -> Array | None:
    """The step, or None where the matrix is not positive definite."""
    if not len(rhs):
        return rhs
    factor, failed = lapack.dpotrf(normal, lower=1, clean=0)
    if failed:
        return None
    solution: Array = lapack.dpotrs(factor, rhs, lower=1)[0]
    return solution


def conclude(net: Network, found: Descent, weight: Array) -> Adjustment:
    """Covariance, loose directions, redundancies and standardized residuals at the solution."""
    linear = found.linear
    cofactor, loose = _invert(linear.normal)
    redundancy = 1.0 - leverage(net, linear, cofactor)
    checked = redundancy > LEAST_REDUNDANCY
    standardized = np.full(len(redundancy), np.nan)
    standardized[checked] = linear.misfit[checked] / np.sqrt(redundancy[checked])
    return Adjustment(
        network=net,
        places=found.places,
        drifts=found.drifts,
        misfit=linear.misfit,
        redundancy=np.where(checked, redundancy, 0.0),
        standardized=standardized,
        cofactor=cofactor,
        loose=loose,
        linear=linear,
        weight=weight,
        cost=linear.cost,
        steps=found.steps,
        converged=found.converged,
    )


def leverage(net: Network, linear: Linear, cofactor: Array) -> Array:
    """h_i = a_i Q a_i' for every reading, (m,)."""
    made = np.zeros(len(net.sigma))
    for bucket, a in zip(net.buckets, linear.entries, strict=True):
        near = cofactor[bucket.unknown[:, :, None], bucket.unknown[:, None, :]]
        made[bucket.rows] = np.matmul(np.matmul(a[:, None, :], near), a[:, :, None])[:, 0, 0]
    return made


def _invert(normal: Array) -> tuple[Array, Array]:
    """Q and a basis (u, k) of the null space of N; k = 0 in the usual case of full rank.

    Each pivot of the Cholesky factor, over its diagonal entry of N, is the share of that unknown
    that those before it do not explain: a share of nothing means a missing rank.
    """
    u = len(normal)
    if not u:
        return normal, np.zeros((0, 0))
    factor, failed = lapack.dpotrf(normal, lower=1, clean=0)
    if not failed and (factor.diagonal() ** 2 > RANK_TOLERANCE * normal.diagonal()).all():
        lower, _ = lapack.dpotri(factor, lower=1)
        lower = np.tril(lower)
        return lower + np.tril(lower, -1).T, np.zeros((u, 0))
    return _pseudo_inverse(normal)


def _pseudo_inverse(normal: Array) -> tuple[Array, Array]:
    u = len(normal)
    diagonal = normal.diagonal()
    floor = max(float(diagonal.max()) * 1e-12, 1e-12)
    size = np.sqrt(np.maximum(diagonal, floor))
    values, vectors = np.linalg.eigh(normal / np.outer(size, size))
    null = vectors[:, values < RANK_TOLERANCE] / size[:, None]
    if not null.shape[1]:
        return np.asarray(np.linalg.inv(normal), dtype=float), np.zeros((u, 0))
    loose: Array = np.linalg.qr(null)[0]
    size_of_loose = float(diagonal.max()) or 1.0
    held = np.linalg.inv(normal + size_of_loose * loose @ loose.T)
    return np.asarray(held - loose @ loose.T / size_of_loose, dtype=float), loose


def place_covariance(adjusted: Adjustment) -> Array:
    """(n, 2, 2) covariance of each landmark in squared units; only sure of what is not loose."""
    net = adjusted.network
    n = len(net.ids)
    if not len(adjusted.cofactor):
        return np.zeros((n, 2, 2))
    gain = gains(net.datum, adjusted.places)[: 2 * n].reshape(n, 2)
    column = net.datum.column[: 2 * n].reshape(n, 2)
    near = adjusted.cofactor[column[:, :, None], column[:, None, :]]
    return near * gain[:, :, None] * gain[:, None, :]


def place_looseness(adjusted: Adjustment) -> Array:
    """(n, 2, 2) how much of the loose directions falls on each landmark: 0 where it is held."""
    net = adjusted.network
    n = len(net.ids)
    if not adjusted.loose.shape[1]:
        return np.zeros((n, 2, 2))
    gain = gains(net.datum, adjusted.places)[: 2 * n].reshape(n, 2)
    column = net.datum.column[: 2 * n].reshape(n, 2)
    part = adjusted.loose[column] * gain[:, :, None]
    return np.matmul(part, part.transpose(0, 2, 1))
