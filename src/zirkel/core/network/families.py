"""What families of edges tell: eye level, vanishing points, and edges that disagree."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.network.adjust import Adjustment
from zirkel.core.network.bundles import Bundles
from zirkel.core.network.candidates import prior_cofactor
from zirkel.core.network.gathered import Edge, Gathered, gathered
from zirkel.core.network.search import ENOUGH_TO_TELL

INFINITE_SDS = 2.3
"""A vanishing point is at infinity where its third coordinate is within so many of its standard
deviations of 0."""


@dataclass(frozen=True, slots=True)
class SeenEdge:
    """One edge of a family: its ends, its tilt as the network has it and as its family asks, in
    degrees clockwise from 12, and how far it stands off, in its own standard deviations; None where
    nothing checks it."""

    family: str
    sort: str
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
    sort: str
    """`edges` of the subject, or for cast shadows `rays` of a light, or their `tracks` on the
    ground; then its name is the light's."""
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
    points = {
        each.name: each.point
        for each in found.families if each.point is not None and each.sort == "edges"
    }  # fmt: skip
    made = []
    for edge in found.edges:
        point = points.get(edge.family) if edge.sort == "edges" else None
        if point is not None:
            a, b = (math.dist(places[name], point) for name in (edge.start, edge.end))
            made.append((edge.start, edge.end) if a > b else (edge.end, edge.start))
    return made


def perspective(adjusted: Adjustment) -> Perspective:
    """Eye level and vanishing points of a study's families, from its adjusted network; edges that
    were set aside are told, and count for nothing."""
    alone = adjusted.alone or adjusted
    aside = {(each.family, each.a, each.b): off for each, off in adjusted.aside}
    solver = Bundles.of(alone, [Edge(*each) for each in aside])
    if solver is None:
        n = len(alone.network.ids)
        told = tuple(_untold(each) for each in gathered(alone.network.study))
        return Perspective(
            None, None, told, (), alone.places, prior_cofactor(alone)[: 2 * n, : 2 * n]
        )
    solver.solve()
    return _told(solver, alone.network.ids, aside, _wider(adjusted))


def _wider(adjusted: Adjustment) -> float:
    """By how much the errors told are larger than believed: readings and edges that scatter more
    show a hand or an eye that errs more."""
    if adjusted.freedom < ENOUGH_TO_TELL:
        return 1.0
    return math.sqrt(max(1.0, adjusted.variance_factor or 1.0))


def _untold(each: Gathered) -> SeenFamily:
    return SeenFamily(each.name, each.level, each.sort, None, None, False, None, False)


def _told(
    b: Bundles,
    landmarks: Sequence[str],
    aside: Mapping[tuple[int, int, int], float],
    wider: float,
) -> Perspective:
    """What was found, in units from the unit's origin; with the edges set aside."""
    eye = any(is_level and own for is_level, own in zip(b.level, b.own, strict=True))
    known = eye and b.is_determined([b.count - 1])
    e_sd = math.sqrt(max(float(b.cp[-1, -1]), 0.0))
    families = tuple(_family(b, f, wider) for f in range(len(b.families)))
    off = b.strain()
    edges = [
        _edge(b, each, landmarks, None if np.isnan(off[i]) else float(off[i]))
        for i, each in enumerate(b.edges)
    ]
    edges += [_edge(b, Edge(*each), landmarks, strain) for each, strain in aside.items()]
    return Perspective(
        b.middle[1] + b.size * b.e if known else None,
        wider * b.size * e_sd if known else None,
        families,
        tuple(edges),
        b.middle + b.size * b.x,
        b.covariance * b.size**2,
    )


def _family(b: Bundles, f: int, wider: float) -> SeenFamily:
    columns = b.range_of(f)
    name, sort = b.families[f].name, b.families[f].sort
    own, eye = b.tangent(f)
    if not b.own[f] or not b.is_determined(columns):
        return _untold(b.families[f])
    v = b.v[f] if b.v[f][2] >= 0 else -b.v[f]
    sign = 1.0 if b.v[f][2] >= 0 else -1.0
    wide = [*columns, b.count - 1] if b.level[f] else columns
    by = sign * (np.column_stack([own, eye]) if b.level[f] else own)
    cov = wider**2 * by @ b.cp[np.ix_(wide, wide)] @ by.T
    deep_sd = math.sqrt(max(float(cov[2, 2]), 0.0))
    direction = math.degrees(math.atan2(v[0], -v[1])) % 180.0
    if b.level[f]:
        direction = 90.0
    if abs(v[2]) < INFINITE_SDS * deep_sd + 1e-9:
        return SeenFamily(name, b.level[f], sort, None, None, True, direction, True)
    point = v[:2] / v[2]
    jacobian = np.hstack([np.eye(2), -point[:, None]]) / v[2]
    spread = np.sqrt(np.maximum((jacobian @ cov @ jacobian.T).diagonal(), 0.0)) * b.size
    at = b.middle + b.size * point
    return SeenFamily(
        name, b.level[f], sort, (float(at[0]), float(at[1])),
        (float(spread[0]), float(spread[1])), False, None, True,
    )  # fmt: skip


def _edge(b: Bundles, each: Edge, landmarks: Sequence[str], strain: float | None) -> SeenEdge:
    was, now = b.x0[each.b] - b.x0[each.a], b.x[each.b] - b.x[each.a]
    if each not in b.edges:
        v = b.v[each.family]
        middle = (b.x[each.a] + b.x[each.b]) / 2.0
        now = v[:2] - v[2] * middle
    own = b.families[each.family]
    return SeenEdge(
        own.name, own.sort, landmarks[each.a], landmarks[each.b], _tilt(was), _tilt(now), strain
    )


def _tilt(d: Array) -> float:
    return math.degrees(math.atan2(d[0], -d[1])) % 180.0
