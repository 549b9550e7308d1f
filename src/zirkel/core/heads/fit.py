"""A generic head fitted to the sighted points of one, with the error of what it tells.

Weak perspective: a point p of the head is seen at s (R D p)_xy + t, R from turn, nod and roll, D =
diag(e^a, 1, e^c) how wide and deep this head is, s its size, t where it is. Unknown are the angles,
s, t, a and c; a and c are expected to be 0 with the sd of heads, and every point may stray in
itself, the two sides of a face mostly alike (`straying`, K). So the observations have covariance
C + s^2 R K R', C that of the places in the network, and the least squares' own covariance says how
sure turn, nod and roll are: eight pairs that stray alike say little more than four points.

A point far off (an asymmetry, a wrong reading) is given less weight by Student's t with 5 degrees
of freedom (K. Lange, R. Little, J. Taylor 1989, *Robust statistical modeling using the t
distribution*). Several beginnings are tried, since a head seen from the front looks much the same
turned a little either way. With left and right exchanged nothing fits: that is tried too, and told.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.heads.model import DIRECTION_SD, head_points, other_side, rotation, straying

ROUNDS, SETTLED = 30, 1e-6
FREEDOM = 5.0
FEWEST = 6
STARTS_TURN = (-0.5, 0.5)
MIRRORED = 2.5
"""How many times as well the points must fit with left and right exchanged to be told so."""

SUSPECT = 3.0
"""Cost for each point from which the sides may be exchanged."""

FLAT = 0.08
"""Share of the points' spread that must lie across their longest direction."""

WIDEST = 1.45
"""Radians beyond which nothing is turned: a face seen from behind has no features."""

TURN, NOD, ROLL, SIZE, X, Y, WIDE, DEEP = range(8)


@dataclass(frozen=True, slots=True)
class FittedHead:
    """Turn, nod and roll in degrees with their sd; all eight parameters and their covariance; which
    points were used; by how many of its own sd each strays; whether left and right are
    exchanged."""

    turn: float
    nod: float
    roll: float
    sd: tuple[float, float, float]
    values: Array
    covariance: Array
    names: tuple[str, ...]
    strays: Mapping[str, float]
    mirrored: bool

    def seen(self, points: Array) -> Array:
        """Where points (k, 3) of the head are seen, (k, 2)."""
        return seen(self.values, points)


class TooLittle(ValueError):
    """Why nothing can be told of a head, in words."""


def seen(values: Array, points: Array) -> Array:
    """Weak perspective of points (k, 3)."""
    d = np.array([np.exp(values[WIDE]), 1.0, np.exp(values[DEEP])])
    turned = (points * d) @ rotation(*values[:3]).T
    made: Array = np.exp(values[SIZE]) * turned[:, :2] + values[[X, Y]]
    return made


def fit_head(places: Mapping[str, Array], covariance: Mapping[str, Mapping[str, Array]] | Array
             ) -> FittedHead:  # fmt: skip
    """From places (2,) of named points and the covariance (2k, 2k) of them in that order. TooLittle
    where six points at least don't lie apart."""
    names = tuple(places)
    seen_at = np.array([places[name] for name in names], dtype=float)
    _enough(names, seen_at)
    c = np.asarray(covariance, dtype=float)
    found = _best(names, seen_at, c)
    swapped = tuple(other_side(name) for name in names)
    mirrored = False
    strained = found[0] > SUSPECT * len(names)
    if strained and any(a != b for a, b in zip(names, swapped, strict=True)):
        other = _best(swapped, seen_at, c)
        if other[0] * MIRRORED < found[0]:
            found, mirrored = other, True
    _, values, cofactor, strays = found
    sd = np.degrees(np.sqrt(np.maximum(cofactor.diagonal()[:3], 0.0)))
    turn, nod, roll = np.degrees(values[:3])
    return FittedHead(
        float(turn), float(nod), float(roll), (float(sd[0]), float(sd[1]), float(sd[2])),
        values, cofactor, swapped if mirrored else names,
        dict(zip(names, strays.tolist(), strict=True)), mirrored,
    )  # fmt: skip


def _enough(names: tuple[str, ...], at: Array) -> None:
    if len(names) < FEWEST:
        raise TooLittle(f"{len(names)} points of the head are sighted: {FEWEST} tell at least")
    spread = np.linalg.svd(at - at.mean(axis=0), compute_uv=False)
    if spread[1] < FLAT * spread[0]:
        raise TooLittle("all points of the head lie on one line: sight some to its side")


def _best(names: tuple[str, ...], at: Array, c: Array) -> tuple[float, Array, Array, Array]:
    """(cost, values, covariance, strays) of the beginning that leads to the least cost."""
    generic = head_points()
    points = np.array([generic[name] for name in names])
    k = straying(names)
    options = [_descend(points, at, c, turn, k) for turn in STARTS_TURN]
    return min(options, key=lambda each: each[0])


def _descend(
    points: Array, at: Array, c: Array, turn: float, k: Array
) -> tuple[float, Array, Array, Array]:
    values = np.zeros(8)
    values[TURN] = turn
    high = float(np.ptp(at, axis=0).max()) / max(float(np.ptp(points, axis=0).max()), 1e-6)
    values[SIZE] = np.log(max(high, 1e-9))
    values[[X, Y]] = at.mean(axis=0) - seen(values, points).mean(axis=0)
    weight = np.ones(len(points))
    prior = np.zeros(8)
    prior[[WIDE, DEEP]] = DIRECTION_SD**-2.0
    prior[NOD] = 1.0 / 0.6**2
    prior[TURN] = 1.0 / 1.2**2
    prior[ROLL] = 1.0 / 0.8**2
    for _ in range(ROUNDS):
        own = _own(values, k)
        inverse = np.linalg.inv(c + _weighed(own, weight))
        off = (at - seen(values, points)).ravel()
        by = _jacobian(values, points)
        normal = by.T @ inverse @ by + np.diag(prior)
        step = np.linalg.solve(normal, by.T @ inverse @ off - prior * values)
        step[:3] = np.clip(step[:3], -0.3, 0.3)
        values = values + np.clip(step, -1.0 * max(high, 1.0), 1.0 * max(high, 1.0))
        values[[TURN, NOD]] = np.clip(values[[TURN, NOD]], -WIDEST, WIDEST)
        strays = _strays(values, points, at, c, own)
        weight = (FREEDOM + 2.0) / (FREEDOM + strays**2)
        if float(np.abs(step).max()) < SETTLED:
            break
    inverse = np.linalg.inv(c + _weighed(_own(values, k), weight))
    by = _jacobian(values, points)
    cofactor: Array = np.asarray(np.linalg.inv(by.T @ inverse @ by + np.diag(prior)), dtype=float)
    cost = float(((FREEDOM + 2.0) * np.log1p(strays**2 / FREEDOM)).sum() + prior @ values**2)
    return cost, values, cofactor, strays


def _own(values: Array, k: Array) -> Array:
    """(2k, 2k) covariance of the points' own straying as it is seen, in heads of this size."""
    seen_by = np.exp(values[SIZE]) * rotation(*values[:3])[:2]
    made: Array = np.einsum("ac,icjd,bd->iajb", seen_by, k, seen_by)
    return made.reshape(2 * len(k), 2 * len(k))


def _weighed(own: Array, weight: Array) -> Array:
    """The same, of points that are believed less."""
    by = np.repeat(weight**-0.5, 2)
    made: Array = own * by[:, None] * by[None, :]
    return made


def _strays(values: Array, points: Array, at: Array, c: Array, own: Array) -> Array:
    """(k,) how far each point strays, in its own standard deviations."""
    off = at - seen(values, points)
    made = np.zeros(len(points))
    for i, d in enumerate(off):
        both = slice(2 * i, 2 * i + 2)
        spread = c[both, both] + own[both, both]
        made[i] = np.sqrt(d @ np.linalg.solve(spread, d))
    return made


def _jacobian(values: Array, points: Array) -> Array:
    """(2k, 8) by differences."""
    made = np.zeros((2 * len(points), 8))
    for i in range(8):
        step = np.zeros(8)
        step[i] = 1e-6
        there, here = seen(values + step, points), seen(values - step, points)
        made[:, i] = ((there - here) / 2e-6).ravel()
    return made
