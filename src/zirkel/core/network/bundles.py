"""Families of edges that are parallel in reality: their vanishing points and the eye level.

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
M^-1 B (B'M^-1 B)^-1 B'M^-1: families tighten the drawing (`joined` takes them into the network). An
edge that disagrees with its family stands out by k_i / sqrt(Q_ii), a standard normal deviate
(W. Baarda 1968).

Everything is counted from the middle of the edges in their own extent, so that sphere and plane are
of one size. A direction in which the parameters are not determined (one edge alone, all on one
line) is left as it was, and told.
"""

from __future__ import annotations

import math
from collections.abc import Sequence

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.network.adjust import Adjustment
from zirkel.core.network.candidates import prior_cofactor
from zirkel.core.network.gathered import Edge, Gathered, gathered

STRAIGHT_RAD = 0.002
"""How far real edges are from straight and from parallel, one standard deviation."""

ROUNDS, SETTLED = 25, 1e-10
DETERMINED = 1e-7
"""Share of the largest eigenvalue of B'M^-1 B below which a direction is not determined."""

SHORTEST = 1e-6


class Bundles:
    """All families of a study: the Gauss-Helmert adjustment in coordinates about the middle of
    the edges."""

    @classmethod
    def of(cls, adjusted: Adjustment, aside: Sequence[Edge] = ()) -> Bundles | None:
        """Those of an adjusted network without what is set aside; None where there is no edge."""
        net, places = adjusted.network, adjusted.places
        number = net.index
        families = gathered(net.study)
        edges = [
            Edge(f, number[a], number[b])
            for f, family in enumerate(families)
            for a, b in family.edges
            if a in number and b in number and a != b
            and float(np.hypot(*(places[number[b]] - places[number[a]]))) > SHORTEST
        ]  # fmt: skip
        edges = [each for each in edges if each not in aside]
        if not edges:
            return None
        n = len(net.ids)
        covariance = prior_cofactor(adjusted)[: 2 * n, : 2 * n]
        return cls(places, covariance, edges, families)

    def __init__(
        self, places: Array, covariance: Array, edges: Sequence[Edge], families: Sequence[Gathered]
    ) -> None:
        level = [each.level for each in families]
        self.families = families
        ends = np.array([[each.a, each.b] for each in edges]).ravel()
        self.middle = places[ends].mean(axis=0)
        self.size = max(float(np.ptp(places[ends], axis=0).max()) / 2.0, SHORTEST)
        self.x0 = (places - self.middle) / self.size
        self.x = self.x0.copy()
        self.c = covariance / self.size**2
        self.edges, self.level = edges, level
        self.family = np.array([each.family for each in edges])
        self.first = np.array([each.a for each in edges])
        self.last = np.array([each.b for each in edges])
        self.own = [[i for i, e in enumerate(edges) if e.family == f] for f in range(len(level))]
        self.v = np.array([self._begin(own) for own in self.own])
        self.links = [
            f for f, each in enumerate(families)
            if each.sort == "rays" and self.own[f] and self.own[f + 1]
        ]  # fmt: skip
        self.e = self._begin_eye()
        self.column = self._columns()
        for f, is_level in enumerate(level):
            if is_level:
                self.v[f] = self._on_level(self._angle(f))

    def _lines(self) -> Array:
        """(k, 3) the line of each edge."""
        a, b = self.x[self.first], self.x[self.last]
        length = np.hypot(*(b - a).T)
        across = a[:, 0] * b[:, 1] - a[:, 1] * b[:, 0]
        made: Array = np.stack([a[:, 1] - b[:, 1], b[:, 0] - a[:, 0], across], axis=1)
        return made / length[:, None]

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

    def tangent(self, f: int) -> tuple[Array, Array]:
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
        start, end = self.x[self.first], self.x[self.last]
        vanishing = self.v[self.family]
        vx, vy, vz = vanishing.T
        length = np.hypot(*(end - start).T)[:, None]
        w = (lines * vanishing).sum(axis=1)
        # n.v |b - a| = det(a, b, v): its derivative by a is b x v, by b is v x a; the length's
        # own change counts for nothing where n.v is near 0.
        by_start = np.stack([end[:, 1] * vz - vy, vx - end[:, 0] * vz], axis=1) / length
        by_end = np.stack([vy - start[:, 1] * vz, start[:, 0] * vz - vx], axis=1) / length
        a, b = np.zeros((k, self.x.size)), np.zeros((k, self.count))
        each = np.arange(k)
        for axis in (0, 1):
            a[each, 2 * self.first + axis] += by_start[:, axis]
            a[each, 2 * self.last + axis] += by_end[:, axis]
        for f, own in enumerate(self.own):
            if own:
                by_own, by_eye = self.tangent(f)
                b[np.ix_(own, range(self.column[f].start, self.column[f].stop))] = (
                    lines[own] @ by_own
                )
                b[own, -1] = lines[own] @ by_eye
        for row, f in enumerate(self.links, len(self.edges)):
            # L and G stand plumb over each other: their x are the same.
            (x, _, z), (gx, _, gz) = self.v[f], self.v[f + 1]
            w = np.append(w, x * gz - gx * z)
            a = np.vstack([a, np.zeros(self.x.size)])
            b = np.vstack([b, np.zeros(self.count)])
            for number, (dx, dz) in ((f, (gz, -gx)), (f + 1, (-z, x))):
                by_own, by_eye = self.tangent(number)
                b[row, self.column[number]] += dx * by_own[0] + dz * by_own[2]
                b[row, -1] += dx * by_eye[0] + dz * by_eye[2]
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
                basis, _ = self.tangent(f)
                moved = self.v[f] + basis @ own
                self.v[f] = moved / np.linalg.norm(moved)

    def is_determined(self, columns: Sequence[int]) -> bool:
        """Whether nothing of these parameters lies in a direction that is not determined."""
        kept = self.known @ self.known.T
        return bool(np.allclose(kept[columns][:, columns], np.eye(len(columns)), atol=1e-4))

    def determined(self) -> Array:
        """(k,) whether each edge's family is determined; solved before."""
        told = [self.own[f] and self.is_determined(self.range_of(f)) for f in range(len(self.own))]
        return np.array([bool(told[each.family]) for each in self.edges])

    def range_of(self, f: int) -> list[int]:
        """The columns of a family's own parameters."""
        return list(range(self.column[f].start, self.column[f].stop))

    def strain(self) -> Array:
        """(k,) how far each edge stands off its family, in its own standard deviations; nan where
        nothing checks it; solved before."""
        k = len(self.edges)
        variance = self.q.diagonal()[:k]
        checked = variance > 1e-9 / STRAIGHT_RAD**2
        made = np.full(k, np.nan)
        made[checked] = self.k[:k][checked] / np.sqrt(variance[checked])
        return made

    def conditions(self, places: Array) -> tuple[Array, Array]:
        """How far each edge misses its vanishing point at these places (n, 2), by the straightness
        of edges, and the derivative of that by all 2n coordinates, with what the vanishing points
        can take up projected out: (k,) and (k, 2n). The points are brought to where they miss
        least before."""
        self.x = (places - self.middle) / self.size
        for _ in range(ROUNDS):
            w, a, b = self._linear()
            values, vectors = np.linalg.eigh(b.T @ b)
            good = values > DETERMINED * max(float(values[-1]), 1e-12)
            inverse = (vectors[:, good] / values[good]) @ vectors[:, good].T
            dp = -inverse @ b.T @ w
            if float(np.abs(dp).max()) < SETTLED:
                break
            self._move(dp)
        project = np.eye(len(w)) - b @ inverse @ b.T
        return project @ w / STRAIGHT_RAD, project @ a / (self.size * STRAIGHT_RAD)
