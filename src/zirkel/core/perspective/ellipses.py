"""Circles seen as ellipses: exactly, and what several of them tell together.

A circle projects to a conic: with H the map of the circle's plane to the picture and C the circle's
own conic, the seen one is H^-T C H^-1 (J. Semple and G. Kneebone, 1952, *Algebraic projective
geometry*). The ellipse's centre is not where the circle's centre is seen. For a level circle of
radius R straight ahead, at distance d and h below the eye, in a picture at distance F,

    long half-axis a = F R / sqrt(d^2 - R^2),   roundness rho = h / sqrt(d^2 - R^2),
    centre y = F h d / (d^2 - R^2),

so that, with e the eye level on the picture, every level circle straight ahead has

    rho = (y - e) / sqrt(F^2 + a^2),

whatever its distance and radius: the lower under the eye, the rounder. Two unknowns, e and F, are
found from several circles by least squares, and the one that contradicts stands out (W. Baarda,
1968). All lengths in one unit; y down.
"""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.space import Round

ROUNDS, SETTLED = 60, 1e-12
STRAIGHT_AHEAD = 0.01
"""How far real rims are from round and level, as a share of their roundness's scale of 1."""

FEWEST_F, MOST_F = 0.5, 500.0
"""Distances of the picture, in units, between which a sensible one lies."""

OFF = 3.29
EYE_SD, FLAT_F = 1e3, 1e3
EIGHTH = math.sqrt(0.5)


@dataclass(frozen=True, slots=True)
class SeenEllipse:
    """An ellipse: centre, long and short half-axis, tilt of the long axis clockwise from 12 in
    degrees."""

    centre: tuple[float, float]
    long: float
    short: float
    tilt_deg: float

    @property
    def roundness(self) -> float:
        """Short over long axis."""
        return self.short / self.long


def seen_circle(
    centre: Sequence[float], radius: float, normal: Sequence[float] = (0.0, 1.0, 0.0)
) -> SeenEllipse:
    """How a circle is seen in a picture at distance 1: centre (3,) from the eye, x right, y down, z
    ahead; normal (3,) of its plane. ValueError where it is not wholly ahead of the eye, or seen
    from its edge."""
    c, n = np.asarray(centre, dtype=float), np.asarray(normal, dtype=float)
    n = n / np.linalg.norm(n)
    u, v = np.linalg.svd(n[None, :])[2][1:]
    if c[2] - radius * math.hypot(u[2], v[2]) <= 0.0:
        raise ValueError("the circle is not wholly ahead of the eye")
    h = np.column_stack([u, v, c])
    if abs(float(n @ c)) < 1e-12 * float(np.linalg.norm(c)):
        raise ValueError("the circle is seen from its edge: a line")
    inverse = np.linalg.inv(h)
    conic = inverse.T @ np.diag([1.0, 1.0, -(radius**2)]) @ inverse
    middle = -np.linalg.solve(conic[:2, :2], conic[:2, 2])
    level = float(conic[2, 2] + conic[:2, 2] @ middle)
    values, vectors = np.linalg.eigh(conic[:2, :2])
    halves = np.sqrt(-level / values)
    longest = int(np.argmax(halves))
    dx, dy = vectors[:, longest]
    tilt = math.degrees(math.atan2(dx, -dy)) % 180.0
    return SeenEllipse(
        (float(middle[0]), float(middle[1])), float(halves[longest]), float(halves[1 - longest]),
        tilt,
    )  # fmt: skip


def roundness_of(height: float, distance: float, radius: float) -> float:
    """Short over long axis of a level circle straight ahead, `height` below (or above) the eye, its
    centre `distance` away. ValueError where one stands over it."""
    if distance <= radius:
        raise ValueError("the circle reaches the eye: it has no outline to draw")
    return abs(height) / math.sqrt(distance**2 - radius**2)


@dataclass(frozen=True, slots=True)
class RoundSeen:
    """A circle as the network has it: centre, half-axes, tilt of the long axis, roundness (negative
    where the nearer rim is the higher: above the eye), its sd; what the others make of the
    roundness, and how far it stands off in its own standard deviations; None where they don't
    tell. `points` are eight of its rim, for drawing."""

    id: str
    name: str
    axis: str | None
    centre: tuple[float, float]
    long: float
    short: float
    tilt_deg: float
    roundness: float
    roundness_sd: float
    expected: float | None
    standardized: float | None
    points: tuple[tuple[float, float], ...]


@dataclass(frozen=True, slots=True)
class Rounds:
    """All circles of a study; eye level and distance of the picture in units, with their sd, where
    they tell; the circle in doubt, worst first."""

    seen: tuple[RoundSeen, ...]
    eye_level: float | None
    eye_sd: float | None
    distance: float | None
    doubts: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class _Measured:
    """Centre y, roundness and long half-axis as (3,), and their derivatives (3, 2n)."""

    value: Array
    by_place: Array
    places: tuple[Array, Array, Array]


def rounds_seen(
    rounds: Sequence[Round],
    index: Mapping[str, int],
    places: Array,
    covariance: Array,
    eye: tuple[float, float] | None = None,
) -> Rounds:
    """What the circles of a study tell: landmarks' numbers, places (n, 2) in units and their
    covariance (2n, 2n); `eye` is an eye level known otherwise, and its sd."""
    told = [each for each in rounds if _is_apart(each, index, places)]
    measured = [_measure(each, index, places) for each in told]
    level = [i for i, each in enumerate(told) if each.level]
    sure = _agreed([measured[i] for i in level], covariance, eye)
    expected: dict[int, float] = {}
    strain: dict[int, float] = {}
    doubts: list[int] = []
    left = list(level)
    while sure is not None:
        off = {i: each for i, each in zip(left, sure.strain, strict=True) if math.isfinite(each)}
        strain.update({i: each for i, each in off.items() if i not in doubts})
        worst = max(off, key=lambda i: abs(off[i]), default=None)
        if worst is None or abs(off[worst]) <= OFF:
            break
        without = [i for i in left if i != worst]
        after = _agreed([measured[i] for i in without], covariance, eye)
        if after is None:
            break
        doubts.append(worst)
        left, sure = without, after
    if sure is not None:
        for i in level:
            y, _, a = measured[i].value
            expected[i] = (y - sure.eye) / math.hypot(sure.distance, a)
    seen = tuple(
        _seen(each, m, covariance, expected.get(i), strain.get(i))
        for i, (each, m) in enumerate(zip(told, measured, strict=True))
    )
    return Rounds(
        seen,
        None if sure is None else sure.eye,
        None if sure is None else sure.eye_sd,
        None if sure is None or not sure.distance_told else sure.distance,
        tuple(told[i].id for i in doubts),
    )


def _is_apart(each: Round, index: Mapping[str, int], places: Array) -> bool:
    names = [each.left, each.right, each.near]
    if len(set(names)) < 3 or not all(name in index for name in names):
        return False
    return float(np.hypot(*(places[index[each.right]] - places[index[each.left]]))) > 1e-6


def _measure(each: Round, index: Mapping[str, int], places: Array) -> _Measured:
    n = places.size
    left, right, near = (index[name] for name in (each.left, each.right, each.near))
    a, b, c = places[left], places[right], places[near]
    half = (b - a) / 2.0
    middle = (a + b) / 2.0
    long = float(np.hypot(*half))
    along = half / long
    across = np.array([-along[1], along[0]])
    if across[1] < 0:
        across = -across
    short = float((c - middle) @ across)
    by_near = np.zeros((3, n))

    def put(row: int, number: int, d: Array) -> None:
        by_near[row, 2 * number : 2 * number + 2] += d

    for number in (left, right):
        put(0, number, np.array([0.0, 0.5]))
    # The rim's turning with the axis counts for nothing at the middle of the near rim.
    for number, sign in ((left, -1.0), (right, 1.0)):
        put(1, number, -0.5 * across / long - sign * 0.5 * along * short / long**2)
        put(2, number, sign * 0.5 * along)
    put(1, near, across / long)
    return _Measured(np.array([middle[1], short / long, long]), by_near, (middle, along, across))


@dataclass(frozen=True, slots=True)
class _Agreed:
    eye: float
    eye_sd: float
    distance: float
    distance_told: bool
    strain: Array


def _agreed(
    measured: Sequence[_Measured], covariance: Array, eye: tuple[float, float] | None
) -> _Agreed | None:
    """Eye level and distance of the picture, by conditions y - e - rho sqrt(F^2 + a^2) = 0 between
    what was measured; None where too few circles tell."""
    if len(measured) + (eye is not None) < 2 or not measured:
        return None
    y, rho, a = np.array([each.value for each in measured]).T
    if float(np.ptp(rho)) < 1e-6 and eye is None:
        return None
    e, inverse_f = eye[0] if eye else 0.0, 0.0
    slope = np.polyfit(rho, y, 1) if len(measured) > 1 else None
    if eye is None and slope is not None:
        f, e = float(np.clip(slope[0], FEWEST_F, MOST_F)), float(slope[1])
    else:
        f = float(np.median((y - e) / np.where(np.abs(rho) > 1e-6, rho, np.nan)))
        f = float(np.clip(f if math.isfinite(f) else 10.0, FEWEST_F, MOST_F))
    inverse_f = math.log(f)
    for _ in range(ROUNDS):
        f = math.exp(inverse_f)
        reach = np.hypot(f, a)
        w = y - e - rho * reach
        by = np.stack([np.ones_like(y), -reach, -rho * a / reach], axis=1)
        rows = np.stack([by[i] @ m.by_place for i, m in enumerate(measured)])
        own = rows @ covariance @ rows.T + np.diag((STRAIGHT_AHEAD * reach) ** 2)
        b = np.stack([-np.ones_like(y), -rho * f * f / reach], axis=1)
        inverse = np.linalg.inv(own)
        normal, rhs = b.T @ inverse @ b, -b.T @ inverse @ w
        if eye is not None:
            normal[0, 0] += eye[1] ** -2
            rhs[0] += (eye[0] - e) * eye[1] ** -2
        if np.linalg.cond(normal) > 1e14:
            return None
        cofactor = np.linalg.inv(normal)
        step = cofactor @ rhs
        e += float(step[0])
        inverse_f += float(np.clip(step[1], -0.5, 0.5))
        inverse_f = float(np.clip(inverse_f, math.log(FEWEST_F), math.log(MOST_F)))
        if float(np.abs(step).max()) < SETTLED:
            break
    q = inverse - inverse @ b @ cofactor @ b.T @ inverse
    k = inverse @ w
    checked = q.diagonal() > 1e-6 * inverse.diagonal()
    strain = np.full(len(y), np.nan)
    strain[checked] = (k - inverse @ b @ cofactor @ b.T @ k)[checked] / np.sqrt(
        q.diagonal()[checked]
    )
    return _Agreed(
        e, math.sqrt(max(float(cofactor[0, 0]), 0.0)), math.exp(inverse_f),
        math.sqrt(max(float(cofactor[1, 1]), 0.0)) < 0.5, strain,
    )  # fmt: skip


def _seen(
    each: Round, m: _Measured, covariance: Array, expected: float | None, strain: float | None
) -> RoundSeen:
    middle, along, across = m.places
    rho, long = float(m.value[1]), float(m.value[2])
    short = abs(rho) * long
    variance = float(m.by_place[1] @ covariance @ m.by_place[1])
    return RoundSeen(
        each.id, each.name, each.axis, (float(middle[0]), float(middle[1])), long, short,
        math.degrees(math.atan2(along[0], -along[1])) % 180.0, rho,
        math.sqrt(max(variance, 0.0)), expected, strain,
        eight_points(middle, along * long, across * short),
    )  # fmt: skip


def eight_points(
    middle: Array, half_long: Array, half_short: Array
) -> tuple[tuple[float, float], ...]:
    """Eight points of an ellipse's rim: the ends of both axes, and between them those that lie
    seven tenths (the root of a half) of the way along both."""
    made = []
    for i in range(8):
        c, s = (round(f(math.pi * i / 4.0), 12) for f in (math.cos, math.sin))
        p = middle + c * half_long + s * half_short
        made.append((float(p[0]), float(p[1])))
    return tuple(made)
