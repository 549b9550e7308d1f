"""The weighted least-squares adjustment of a study's readings (Gauss-Markov model).

Problem: find the places of all landmarks and the drift of each take that make the sum of squared
(residual / sigma) least. With the notation of `assemble`:

1. Coming near. From the thumbnail, a few steps solve (N + lambda I) dx = b + lambda (x0 - x) with
   each kind's straight form, where lambda says how far the thumbnail is trusted and shrinks from
   step to step. This is what makes a poor thumbnail harmless.
2. Adjustment. Gauss-Newton steps N dx = b on the true equations, with Levenberg's damping where a
   step would make matters worse. A ridge of 1e-9 of the mean weight keeps directions that nothing
   holds where the thumbnail has them. It stops when no unknown moves by more than 1e-9.
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

from collections.abc import Iterator
from dataclasses import dataclass, replace
from typing import NamedTuple

import numpy as np
from scipy.linalg import lapack

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
from zirkel.core.network.second_look import STRAINED, put_right, strained
from zirkel.core.network.start import on_datum, thumbnail_places
from zirkel.core.study import Study, UnitPair

STEP_TOLERANCE = 1e-9
MOST_STEPS = 60
RIDGE = 1e-9
RANK_TOLERANCE = 1e-10
LEAST_REDUNDANCY = 1e-6
"""Below this a reading is checked by nothing, and its residual has no scale to judge it by."""

MOST_LOOKS = 6
MOST_SHAKES = 8
SHAKE = 0.35
"""Rounds of a second look, further tries from a shaken thumbnail, and by how many units."""

PLAIN_STEPS = 6
"""Gauss-Newton steps before the curvature of the readings is worth its cost."""

THUMBNAIL_SIGMAS = (0.5, 0.5, 1.0, 2.0, 4.0)
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
        return self.converged and not (np.abs(self.standardized) > STRAINED).any()

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
    for begin in other_beginnings(net, weight):
        again = conclude(net, descend(net, begin, weight), weight)
        found = put_right_while_better(min(found, again, key=lambda each: each.cost))
        if found.convincing:
            break
    return found


def other_beginnings(net: Network, weight: Array) -> Iterator[tuple[Array, Array]]:
    """Where else to begin: with the unit's end on whichever side the readings have it, then from
    the thumbnail shaken, with a fixed seed, so that the same study always gives the same answer."""
    free = build(replace(net.study, unit=None), net.start)
    places, _ = come_near(free, weight, free.start)
    yield come_near(net, weight, on_datum(net.study, places))
    shake = np.random.default_rng(len(net.ids))
    for _ in range(MOST_SHAKES):
        shaken = places + shake.normal(0.0, SHAKE, places.shape)
        yield come_near(net, weight, on_datum(net.study, shaken))


def put_right_while_better(found: Adjustment) -> Adjustment:
    """Put strained landmarks where their readings agree and descend again, while it helps."""
    net, weight = found.network, found.weight
    for _ in range(MOST_LOOKS):
        if found.convincing:
            break
        doubtful = strained(net, found.standardized)
        there = on_datum(net.study, put_right(net, found.places, weight, doubtful))
        again = conclude(net, descend(net, (there, np.zeros_like(found.drifts)), weight), weight)
        if again.cost >= found.cost * (1.0 - 1e-6):
            break
        found = again
    return found


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
        held.flat[:: len(held) + 1] += sigma**-2
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


def descend(net: Network, begin: tuple[Array, Array], weight: Array) -> Descent:
    """Damped Gauss-Newton steps, then Newton steps, from (places, drifts) to a least cost."""
    here = begin
    best = linearize(net, *here, weight)
    damping, bent = 0.0, None
    for count in range(1, MOST_STEPS + 1):
        if count > PLAIN_STEPS and bent is None:
            bent = best.normal - curvature(net, *here, best.misfit * weight)
        step = _solve(_damped(best.normal, bent, damping), best.rhs)
        if step is None:
            damping = max(1e-3, 10.0 * damping)
            continue
        there = moved(net.datum, *here, step)
        if _largest(step) < STEP_TOLERANCE:
            return Descent(*there, best, count, True)
        trial = linearize(net, *there, weight)
        if trial.cost <= best.cost * (1.0 + 1e-12) + 1e-12:
            here, best, bent = there, trial, None
            damping = 0.0 if damping < 1e-4 else 0.1 * damping
        else:
            damping = max(1e-3, 10.0 * damping)
    return Descent(*here, best, MOST_STEPS, False)


def _largest(step: Array) -> float:
    return float(np.abs(step).max()) if len(step) else 0.0


def _damped(normal: Array, bent: Array | None, damping: float) -> Array:
    diagonal = normal.diagonal()
    mean = float(diagonal.mean()) if len(diagonal) else 0.0
    out = (normal if bent is None else bent).copy()
    ridge = RIDGE * mean + 1e-12
    out.flat[:: len(diagonal) + 1] += ridge + damping * np.maximum(diagonal, 1e-3 * mean)
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
        return np.linalg.inv(normal), np.zeros((u, 0))
    loose, _ = np.linalg.qr(null)
    held = np.linalg.inv(normal + loose @ loose.T * float(diagonal.max() or 1.0))
    return held - loose @ loose.T / float(diagonal.max() or 1.0), loose


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
