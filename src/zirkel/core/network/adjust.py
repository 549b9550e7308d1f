"""The weighted least-squares adjustment of a study's readings (Gauss-Markov model).

Problem: find the places of all landmarks and the drift of each take that make the sum of squared
(residual / sigma) least. With the notation of `assemble`, `descend` comes to the least cost from a
thumbnail and `search` makes sure that it is the right one. From there:

* What is known. Q = N^-1 is the covariance of the unknowns from the a-priori sigmas. Where N has
  not full rank, its null space says which landmarks are loose and in which direction, and Q is
  the pseudo-inverse: right for all that can be known.
* How well each reading is checked. With h_i = a_i Q a_i' the redundancy number is r_i = 1 - h_i
  and the standardized residual w_i = v_i / (sigma_i sqrt(r_i)).

Sources: the Gauss-Markov model as used in surveying; W. Baarda (1968), A testing procedure for use
in geodetic networks (redundancy numbers, standardized residuals).
"""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from typing import Any

import numpy as np
from scipy.linalg import lapack
from scipy.special import ndtri

from zirkel.core.arrays import Array
from zirkel.core.network.assemble import Linear, Network, gains
from zirkel.core.network.descend import TOLERANCE, Descent, descend

RANK_TOLERANCE = 1e-10
LEAST_REDUNDANCY = 1e-6
"""Below this a reading is checked by nothing, and its residual has no scale to judge it by."""

BY_CHANCE, CONVINCING_COST = 0.03, 1.65
"""Chance, over all readings, of a standardized residual as large as the largest, and excess of the
cost in its own standard deviations, up to which a solution is not suspected of being a mirror
image."""


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
    conditions: int = 0
    """How many conditions families of edges add, counted in the cost as observations."""
    aside: tuple[tuple[Any, float], ...] = ()
    """Edges that disagree with their family, set aside, and by how many of their own standard
    deviations."""
    alone: Adjustment | None = None
    """The adjustment of the readings alone, where families have been taken in."""
    rejoin: Callable[[Adjustment], Adjustment] | None = None
    """Takes the families in again after the readings were adjusted with other weights."""

    @property
    def convincing(self) -> bool:
        """Whether the readings agree well enough not to suspect a mirror image."""
        return self.convincing_at(1.0)

    def convincing_at(self, scale: float) -> bool:
        """The same, if all sigmas were so many times as large."""
        strain = np.abs(self.standardized[self.weight > 0]) / scale
        if not self.converged or (strain > -ndtri(BY_CHANCE / (len(strain) + 1))).any():
            return False
        return self.agrees(CONVINCING_COST, scale)

    def agrees(self, excess: float, scale: float = 1.0) -> bool:
        """Whether the cost is no more than so many of its standard deviations above what is
        expected, if all sigmas were `scale` times as large."""
        most = self.freedom + excess * np.sqrt(2.0 * max(self.freedom, 1))
        return bool(self.cost <= most * scale**2)

    @property
    def freedom(self) -> int:
        """Degrees of freedom: readings and expected drifts less what they determine."""
        used = int(np.count_nonzero(self.weight)) + len(self.drifts) + self.conditions
        return used - (self.network.datum.unknowns - self.loose.shape[1])

    @property
    def variance_factor(self) -> float | None:
        """Mean squared misfit over its expectation; None where nothing is redundant."""
        return self.cost / self.freedom if self.freedom > 0 else None


def readjust(before: Adjustment, weight: Array, tolerance: float = TOLERANCE) -> Adjustment:
    """Adjust again from where the last adjustment ended, with other weights (m,)."""
    net = before.network
    after = conclude(net, descend(net, (before.places, before.drifts), weight, tolerance), weight)
    return after if before.rejoin is None else before.rejoin(after)


def conclude(net: Network, found: Descent, weight: Array) -> Adjustment:
    """Covariance, loose directions, redundancies and standardized residuals at the solution."""
    linear = found.linear
    cofactor, loose = invert(linear.normal)
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


def invert(normal: Array) -> tuple[Array, Array]:
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


def row_of_design(net: Network, linear: Linear, row: int) -> Array:
    """The row a (u,) of A that belongs to one reading, divided by its sigma."""
    a = np.zeros(net.datum.unknowns)
    for bucket, entries in zip(net.buckets, linear.entries, strict=True):
        if bucket.rows.start <= row < bucket.rows.stop:
            own = row - bucket.rows.start
            np.add.at(a, bucket.unknown[own], entries[own])
    return a


def residual_correlation(now: Adjustment, row: int) -> Array:
    """(m,) correlation of one reading's residual with those of all; 0 where unchecked."""
    net = now.network
    reach = now.cofactor @ row_of_design(net, now.linear, row)
    shared = np.zeros(len(now.weight))
    for bucket, entries in zip(net.buckets, now.linear.entries, strict=True):
        shared[bucket.rows] = (entries * reach[bucket.unknown]).sum(axis=1)
    scale = np.sqrt(now.redundancy * now.redundancy[row])
    return np.divide(-shared, scale, out=np.zeros_like(shared), where=scale > 0)


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
