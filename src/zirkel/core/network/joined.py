"""Families of edges, cast shadows and circles as more pieces of evidence in the network.

Every edge of a family misses its vanishing point by w (see `bundles`), as little as real edges are
straight. With the vanishing points p as further unknowns, and B how w changes with them, the
points are eliminated by the projection P = I - B (B'B)^-1 B' (G. Golub and V. Pereyra, 1973), and

    N' = N + A'P A,   b' = b - A'P w

with A how w changes with the places, are the normal equations of readings and families together.
What N' has no rank for is loose, as ever: families can hold what no reading does. A family that is
not determined says nothing and is left out.

An edge that contradicts its family more than any reading contradicts the others is set aside, the
worst first, one at a time: it may simply not be parallel. Where one reading alone says how it runs,
the two can't be told apart, and the reading is in doubt.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace
from typing import Protocol

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.network.adjust import LEAST_REDUNDANCY, Adjustment, invert, leverage
from zirkel.core.network.assemble import gains, linearize, moved
from zirkel.core.network.bundles import Bundles
from zirkel.core.network.gathered import Edge
from zirkel.core.network.rounds import Ellipses

ROUNDS, HALVINGS, SETTLED = 12, 5, 1e-9
"""Steps taken, times that one is halved where it makes matters worse, and units below which a step
is none."""

DISAGREES, MORE_THAN_A_READING = 3.29, 1.15
"""Strain from which an edge is set aside; and by what factor it must exceed any reading's."""

MOST_ASIDE = 6


def joined(alone: Adjustment) -> Adjustment:
    """The adjustment with the study's families taken in."""
    aside: list[tuple[Edge, float]] = []
    while True:
        found, worst = _joined(alone, [each for each, _ in aside])
        if worst is None or len(aside) == MOST_ASIDE or not _beyond_readings(found, worst[1]):
            return replace(found, aside=tuple(aside), alone=alone, rejoin=joined)
        aside.append(worst)


def _beyond_readings(found: Adjustment, strain: float) -> bool:
    off = np.abs(found.standardized[found.weight > 0])
    most = float(np.nanmax(off)) if np.isfinite(off).any() else 0.0
    return abs(strain) > max(DISAGREES, MORE_THAN_A_READING * most)


def _joined(alone: Adjustment, aside: list[Edge]) -> tuple[Adjustment, tuple[Edge, float] | None]:
    """With all families but the edges set aside, and the most strained edge that is left."""
    pieces: list[Evidence] = []
    worst = None
    bundles = Bundles.of(alone, aside)
    if bundles is not None:
        bundles.solve()
        told = bundles.determined()
        strain = bundles.strain()
        if (told & np.isfinite(strain)).any():
            i = int(np.argmax(np.where(told, np.nan_to_num(np.abs(strain)), 0.0)))
            worst = bundles.edges[i], float(strain[i])
        if not told.all():
            untold = [each for each, known in zip(bundles.edges, told, strict=True) if not known]
            bundles = Bundles.of(alone, [*aside, *untold])
            if bundles is not None:
                bundles.solve()
    if bundles is not None:
        pieces.append(bundles)
    ellipses = Ellipses(alone.network, alone.places)
    if ellipses.count:
        pieces.append(ellipses)
    return (_descended(alone, pieces) if pieces else alone), worst


class Evidence(Protocol):
    """What the network is told beside its readings."""

    def conditions(self, places: Array) -> tuple[Array, Array]:
        """How far each condition fails, by its own sigma, (k,), and by all 2n coordinates."""


def _descended(alone: Adjustment, pieces: Sequence[Evidence]) -> Adjustment:
    net, weight = alone.network, alone.weight
    n = len(net.ids)
    column = net.datum.column[: 2 * n]
    unknowns = net.datum.unknowns

    def at(places: Array, drifts: Array) -> tuple[float, Array, Array, Array]:
        """Cost, N', b' and the conditions' rows at these places."""
        linear = linearize(net, places, drifts, weight)
        said = [each.conditions(places) for each in pieces]
        w = np.concatenate([each for each, _ in said])
        by_place = np.concatenate([each for _, each in said])
        a = np.zeros((len(w), unknowns))
        np.add.at(a.T, column, (by_place * gains(net.datum, places)[: 2 * n]).T)
        normal = linear.normal + a.T @ a
        return linear.cost + float(w @ w), normal, linear.rhs - a.T @ w, a

    here = alone.places, alone.drifts
    best = at(*here)
    for _ in range(ROUNDS):
        cofactor, _ = invert(best[1])
        step = cofactor @ best[2]
        for _ in range(HALVINGS):
            there = moved(net.datum, *here, step)
            trial = at(*there)
            if trial[0] <= best[0] * (1.0 + 1e-12) + 1e-12:
                break
            step = step / 2.0
        else:
            break
        here, best = there, trial
        if not len(step) or float(np.abs(step).max()) < SETTLED:
            break
    linear = linearize(net, *here, weight)
    cofactor, loose = invert(best[1])
    redundancy = 1.0 - leverage(net, linear, cofactor)
    checked = redundancy > LEAST_REDUNDANCY
    standardized = np.full(len(redundancy), np.nan)
    standardized[checked] = linear.misfit[checked] / np.sqrt(redundancy[checked])
    return replace(
        alone, places=here[0], drifts=here[1], misfit=linear.misfit,
        redundancy=np.where(checked, redundancy, 0.0), standardized=standardized,
        cofactor=cofactor, loose=loose, linear=linear, cost=best[0],
        conditions=int(np.linalg.matrix_rank(best[3])),
    )  # fmt: skip
