"""Families of edges that are parallel in reality: their vanishing points and the eye level, jointly
with the network.

Edges parallel in reality meet, seen, in one vanishing point; those of level families all do so on
the eye level. Symbols: x (2n,) are the places of all landmarks as the network has them, with
covariance C (2n, 2n). The line through a and b is n = (a, 1) x (b, 1) / |b - a|, and a vanishing
point is a point v of the unit sphere, homogeneous, so that one at infinity (third coordinate 0) is
like any other (S. Barnard 1983, *Interpreting perspective images*). Every edge of a family is one
condition n.v = 0. A level family has one parameter, its angle t, and shares the eye level e:

    v = (cos t, e sin t, sin t) / |...|;

any other family has two, in the plane that touches the sphere at v.

Conditions between observations and parameters are the Gauss-Helmert model (F. Helmert 1872): with
A = dF/dx, B = dF/dp, w = F and M = A C A' + s^2 I,

    dp = -(B'M^-1 B)^-1 B'M^-1 w,   k = -M^-1 (w + B dp),   dx = C A' k,

iterated with A and B at the places as they have become. s allows for edges that are not quite
straight. The covariance of p is (B'M^-1 B)^-1, that of x becomes C - C A' Q A C with Q = M^-1 -
M^-1 B (B'M^-1 B)^-1 B'M^-1: families tighten the drawing. An edge that disagrees with its family
stands out by k_i / sqrt(Q_ii), a standard normal deviate (W. Baarda 1968).

Everything is counted from the middle of the edges in their own extent, so that sphere and plane are
of one size. A direction in which the parameters are not determined (one edge alone, all on one
line) is left as it was, and told.
"""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.network.adjust import LEAST_REDUNDANCY, Adjustment
from zirkel.core.network.candidates import prior_cofactor

STRAIGHT_RAD = 0.002
"""How far real edges are from straight and from parallel, one standard deviation."""

ROUNDS, SETTLED = 25, 1e-10
DETERMINED = 1e-7
"""Share of the largest eigenvalue of B'M^-1 B below which a direction is not determined."""

INFINITE_SDS = 2.3
"""A vanishing point is at infinity where its third coordinate is within so many of its standard
deviations of 0."""

SHORTEST = 1e-6


@dataclass(frozen=True, slots=True)
class SeenEdge:
    """One edge of a family: its ends, its tilt as the network has it and as its family asks, in
    degrees clockwise from 12, and how far it stands off, in its own standard deviations; None where
    nothing checks it."""

    family: str
    start: str
    end: str
    seen_deg: float
    fitted_deg: float
    standardized: float | None


@dataclass(frozen=True, slots=True)
class SeenFamily:
    """One family: where it vanishes, in units, and how sure that is (sd of x and y); None at
    infinity, then with its direction in degrees, or where too little tells."""

    name: str
    level: bool
    point: tuple[float, float] | None
    sd: tuple[float, float] | None
    at_infinity: bool
    direction_deg: float | None
    determined: bool


@dataclass(frozen=True, slots=True)
class Perspective:
    """Eye level (y in units, sd; None where no level family tells), families, edges; places (n, 2)
    and covariance (2n, 2n) of all landmarks with the families taken in."""

    eye_level: float | None
    eye_sd: float | None
    families: tuple[SeenFamily, ...]
    edges: tuple[SeenEdge, ...]
    places: Array
    covariance: Array


def receding(
    found: Perspective, places: Mapping[str, tuple[float, float]]
) -> list[tuple[str, str]]:
    """Edges of families that vanish somewhere, the end that is further from there first: so one
    runs back from the first to the second."""
    points = {each.name: each.point for each in found.families if each.point is not None}
    made = []
    for edge in found.edges:
        point = points.get(edge.family)
        if point is not None:
            a, b = (math.dist(places[name], point) for name in (edge.start, edge.end))
            made.append((edge.start, edge.end) if a > b else (edge.end, edge.start))
    return made


def strained(found: Perspective, adjusted: Adjustment) -> dict[str, float]:
    """How far each reading stands from what families and network make of it together, in standard
    deviations of its residual: with v its residual at the new places and h = a C a' / sigma^2
    there, v / (sigma sqrt(1 - h)). Families check what nothing else did; readings that nothing
    checks even so are left out."""
    net = adjusted.network
    number = {name: i for i, name in enumerate(net.ids)}
    made = {}
    for row, each in enumerate(net.sightings):
        at = np.array([number[name] for name in each.landmarks])
        p = found.places[at][None]
        kind = type(each)
        columns = kind.columns([each], net.start[at][None])
        drift = np.array([adjusted.drifts[net.takes.index(each.take_name)]
                          if each.take_name in net.takes else 0.0])  # fmt: skip
        said = kind.equation(columns, p, drift)
        misfit = float(kind.misfit(columns.reading - said.fitted)[0]) / float(net.sigma[row])
        a = said.by_place[0].ravel() / float(net.sigma[row])
        rows = (2 * at[:, None] + np.arange(2)).ravel()
        unchecked = 1.0 - float(a @ found.covariance[np.ix_(rows, rows)] @ a)
        if unchecked > LEAST_REDUNDANCY:
            made[each.id] = misfit / math.sqrt(unchecked)
    return made


@dataclass(frozen=True, slots=True)
class _Edge:
    family: int
    a: int
    b: int


def perspective(adjusted: Adjustment) -> Perspective:
    """Eye level and vanishing points of a study's families, from its adjusted network."""
    study = adjusted.network.study
    number = {name: i for i, name in enumerate(adjusted.network.ids)}
    edges = [
        _Edge(f, number[a], number[b])
        for f, family in enumerate(study.families)
        for a, b in family.edges
        if a in number and b in number and a != b
        and float(np.hypot(*(adjusted.places[number[b]] - adjusted.places[number[a]]))) > SHORTEST
    ]  # fmt: skip
    n = len(adjusted.network.ids)
    covariance = prior_cofactor(adjusted)[: 2 * n, : 2 * n]
    if not edges:
        told = tuple(_untold(each.name, each.level) for each in study.families)
        return Perspective(None, None, told, (), adjusted.places, covariance)
    solver = _Solver(adjusted.places, covariance, edges, [each.level for each in study.families])
    solver.solve()
    names = adjusted.network.ids
    return solver.told([each.name for each in study.families], names)


def _untold(name: str, level: bool) -> SeenFamily:
    return SeenFamily(name, level, None, None, False, None, False)


class _Solver:
    """The Gauss-Helmert adjustment in coordinates about the middle of the edges."""

    def __init__(
        self, places: Array, covariance: Array, edges: Sequence[_Edge], level: Sequence[bool]
    ) -> None:
        ends = np.array([[each.a, each.b] for each in edges]).ravel()
        self.middle = places[ends].mean(axis=0)
        self.size = max(float(np.ptp(places[ends], axis=0).max()) / 2.0, SHORTEST)
        self.x0 = (places - self.middle) / self.size
        self.x = self.x0.copy()
        self.c = covariance / self.size**2
        self.edges, self.level = edges, level
        self.own = [[i for i, e in enumerate(edges) if e.family == f] for f in range(len(level))]
        self.v = np.array([self._begin(own) for own in self.own])
        self.e = self._begin_eye()
        self.column = self._columns()
        for f, is_level in enumerate(level):
            if is_level:
                self.v[f] = self._on_level(self._angle(f))

    def _lines(self) -> Array:
        """(k, 3) the line of each edge."""
        a = np.array([self.x[each.a] for each in self.edges])
        b = np.array([self.x[each.b] for each in self.edges])
        length = np.hypot(*(b - a).T)[:, None]
        one = np.ones((len(a), 1))
        made: Array = np.cross(np.hstack([a, one]), np.hstack([b, one])) / length
        return made

    def _begin(self, own: Sequence[int]) -> Array:
        """The point of the sphere that is nearest to lying on all lines of a family."""
        if not own:
            return np.array([1.0, 0.0, 0.0])
        lines = self._lines()[list(own)]
        made: Array = np.linalg.svd(lines)[2][-1]
        return made

    def _begin_eye(self) -> float:
        """A first eye level: that of the level family that vanishes nearest."""
        finite = [
            (abs(v[2]), v[1] / v[2])
            for v, is_level, own in zip(self.v, self.level, self.own, strict=True)
            if is_level and len(own) > 1 and abs(v[2]) > 1e-3
        ]
        return float(max(finite)[1]) if finite else 0.0

    def _angle(self, f: int) -> float:
        """The angle of a level family whose point is nearest to where it was found."""
        own = self.own[f]
        if not own:
            return 0.0
        lines = self._lines()[own]
        # n.(cos t, e sin t, sin t) = p cos t + q sin t, least over all edges.
        p, q = lines[:, 0], self.e * lines[:, 1] + lines[:, 2]
        m = np.array([[p @ p, p @ q], [p @ q, q @ q]])
        c, s = np.linalg.eigh(m)[1][:, 0]
        return math.atan2(s, c)

    def _on_level(self, t: float) -> Array:
        raw = np.array([math.cos(t), self.e * math.sin(t), math.sin(t)])
        made: Array = raw / np.linalg.norm(raw)
        return made

    def _columns(self) -> list[slice]:
        """Where each family's parameters stand; the eye level's is the last."""
        made, at = [], 0
        for is_level in self.level:
            wide = 1 if is_level else 2
            made.append(slice(at, at + wide))
            at += wide
        self.count = at + 1
        return made

    def _tangent(self, f: int) -> tuple[Array, Array]:
        """(3, p) how v changes with the family's own parameters, and (3,) with the eye level."""
        v = self.v[f]
        if not self.level[f]:
            basis = np.linalg.svd(v[None, :])[2][1:].T
            return basis, np.zeros(3)
        t = self.t[f]
        raw = np.array([math.cos(t), self.e * math.sin(t), math.sin(t)])
        norm = float(np.linalg.norm(raw))
        out = (np.eye(3) - np.outer(v, v)) / norm
        by_t = out @ np.array([-math.sin(t), self.e * math.cos(t), math.cos(t)])
        return by_t[:, None], out @ np.array([0.0, math.sin(t), 0.0])

    def _linear(self) -> tuple[Array, Array, Array]:
        """w (k,), A (k, 2n) and B (k, p) at the places and parameters as they are."""
        k = len(self.edges)
        lines = self._lines()
        w, a, b = np.zeros(k), np.zeros((k, self.x.size)), np.zeros((k, self.count))
        for i, each in enumerate(self.edges):
            v = self.v[each.family]
            p, q = self.x[each.a], self.x[each.b]
            length = float(np.hypot(*(q - p)))
            w[i] = lines[i] @ v
            # n.v |b - a| = det(a, b, v): its derivative by a is b x v, by b is v x a; the length's
            # own change counts for nothing where n.v is near 0.
            by_p = np.cross(np.append(q, 1.0), v)[:2] / length
            by_q = np.cross(v, np.append(p, 1.0))[:2] / length
            a[i, 2 * each.a : 2 * each.a + 2] += by_p
            a[i, 2 * each.b : 2 * each.b + 2] += by_q
            own, eye = self._tangent(each.family)
            b[i, self.column[each.family]] = lines[i] @ own
            b[i, -1] = lines[i] @ eye
        return w, a, b

    def solve(self) -> None:
        """Iterate until nothing moves."""
        self.t = [self._angle(f) if is_level else 0.0 for f, is_level in enumerate(self.level)]
        for _ in range(ROUNDS):
            w, a, b = self._linear()
            # Conditions are at the places as they have become; what counts is from where they were.
            w = w - a @ (self.x - self.x0).ravel()
            m = a @ self.c @ a.T + STRAIGHT_RAD**2 * np.eye(len(w))
            inverse = np.linalg.inv(m)
            normal = b.T @ inverse @ b
            values, vectors = np.linalg.eigh(normal)
            good = values > DETERMINED * max(float(values[-1]), 1e-12)
            self.known = vectors[:, good]
            self.cp = (self.known / values[good]) @ self.known.T
            dp = -self.cp @ (b.T @ inverse @ w)
            k = -inverse @ (w + b @ dp)
            self.x = self.x0 + (self.c @ a.T @ k).reshape(-1, 2)
            self._move(dp)
            if np.abs(dp).max() < SETTLED:
                break
        self.q = inverse - inverse @ b @ self.cp @ b.T @ inverse
        self.k = k
        self.covariance = self.c - self.c @ a.T @ self.q @ a @ self.c

    def _move(self, dp: Array) -> None:
        most = np.clip(dp, -0.5, 0.5)
        self.e += float(np.clip(dp[-1], -2.0, 2.0))
        for f, is_level in enumerate(self.level):
            own = most[self.column[f]]
            if is_level:
                self.t[f] += float(own[0])
                self.v[f] = self._on_level(self.t[f])
            else:
                basis, _ = self._tangent(f)
                moved = self.v[f] + basis @ own
                self.v[f] = moved / np.linalg.norm(moved)

    def _is_determined(self, columns: Sequence[int]) -> bool:
        """Whether nothing of these parameters lies in a direction that is not determined."""
        kept = self.known @ self.known.T
        return bool(np.allclose(kept[columns][:, columns], np.eye(len(columns)), atol=1e-4))

    def told(self, names: Sequence[str], landmarks: Sequence[str]) -> Perspective:
        """What was found, in units from the unit's origin."""
        eye = any(is_level and own for is_level, own in zip(self.level, self.own, strict=True))
        known = eye and self._is_determined([self.count - 1])
        e_sd = math.sqrt(max(float(self.cp[-1, -1]), 0.0))
        families = tuple(self._family(f, name) for f, name in enumerate(names))
        return Perspective(
            self.middle[1] + self.size * self.e if known else None,
            self.size * e_sd if known else None,
            families,
            tuple(self._edge(i, names, landmarks) for i in range(len(self.edges))),
            self.middle + self.size * self.x,
            self.covariance * self.size**2,
        )

    def _family(self, f: int, name: str) -> SeenFamily:
        columns = list(range(self.column[f].start, self.column[f].stop))
        own, eye = self._tangent(f)
        if not self.own[f] or not self._is_determined(columns):
            return _untold(name, self.level[f])
        v = self.v[f] if self.v[f][2] >= 0 else -self.v[f]
        sign = 1.0 if self.v[f][2] >= 0 else -1.0
        wide = [*columns, self.count - 1] if self.level[f] else columns
        by = sign * (np.column_stack([own, eye]) if self.level[f] else own)
        cov = by @ self.cp[np.ix_(wide, wide)] @ by.T
        deep_sd = math.sqrt(max(float(cov[2, 2]), 0.0))
        direction = math.degrees(math.atan2(v[0], -v[1])) % 180.0
        if self.level[f]:
            direction = 90.0
        if abs(v[2]) < INFINITE_SDS * deep_sd + 1e-9:
            return SeenFamily(name, self.level[f], None, None, True, direction, True)
        point = v[:2] / v[2]
        jacobian = np.hstack([np.eye(2), -point[:, None]]) / v[2]
        spread = np.sqrt(np.maximum((jacobian @ cov @ jacobian.T).diagonal(), 0.0)) * self.size
        at = self.middle + self.size * point
        return SeenFamily(
            name, self.level[f], (float(at[0]), float(at[1])),
            (float(spread[0]), float(spread[1])), False, None, True,
        )  # fmt: skip

    def _edge(self, i: int, names: Sequence[str], landmarks: Sequence[str]) -> SeenEdge:
        each = self.edges[i]
        was, now = self.x0[each.b] - self.x0[each.a], self.x[each.b] - self.x[each.a]
        variance = float(self.q[i, i])
        scale = 1.0 / (STRAIGHT_RAD**2)
        told = variance > 1e-9 * scale
        return SeenEdge(
            names[each.family], landmarks[each.a], landmarks[each.b], _tilt(was), _tilt(now),
            float(self.k[i]) / math.sqrt(variance) if told else None,
        )  # fmt: skip


def _tilt(d: Array) -> float:
    return math.degrees(math.atan2(d[0], -d[1])) % 180.0
