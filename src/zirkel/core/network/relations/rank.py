"""Which of the simple relations are worth having, best first and each a fact of its own.

A relation holds if the solved places are off it by no more than their own uncertainty allows:
|off| <= 2.5 sd, with sd from the covariance of the places by the derivative of the kind's equation.

It is worth having if it is simple, long against the drawing, certain, and between large shapes:

    worth = simplicity * size * certainty * closeness * tier,
    size = min(1, length / (extent / 2)),  certainty = 1 / (1 + (sd / 0.03)^2),
    closeness = exp(-off^2 / 2 (sd^2 + 0.02^2)),

with tier the mean of 1, 0.7 and 0.45 over its landmarks.

Ten versions of one fact are one fact: once a relation is named, those that follow from it are no
news. Let G = A K A' be the covariance of all candidates' values. Naming candidate p leaves
G' = G - g_p g_p' / (G_pp + s^2), one step of a pivoted Cholesky factorization, and the news in
candidate i is what is left of its own variance, G'_ii / G_ii. The next to be named is the one with
the greatest worth times news; kinds and landmarks named before count a little less.

For the whole drawing, a plumb line is good if much lies on it and all is close to it, as errors
grow with the distance from the line: it is rated by the weight of what lies on it over the mean
distance of all landmarks from it. Levels likewise.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise
from typing import Any

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.network.adjust import Adjustment
from zirkel.core.network.candidates import prior_cofactor
from zirkel.core.network.relations.batch import Batch, View
from zirkel.core.network.relations.finders import FINDERS
from zirkel.core.sightings import Sighting
from zirkel.core.study import Study, UnitPair

HOLDS = 2.5
UNCERTAIN = 0.03
HAND = 0.02
"""How exactly a hand can place what is said, in units or as a share."""

TIER_SHARE = {1: 1.0, 2: 0.7, 3: 0.45}
SHORT_LIST = 600
"""Candidates that are compared with one another."""

AGAIN_KIND, AGAIN_LANDMARK = 0.86, 0.92
"""Factors for each time that a kind or a landmark was named before."""

LINE_WIDTH = 0.04
LINES = 3
LINES_APART = 0.15


@dataclass(frozen=True, slots=True)
class Relation:
    """A simple relation: as the sighting that says it, how far off it is, and its worth.

    `off` and `sd` are in the sighting's own unit.
    """

    sighting: Sighting
    off: float
    sd: float
    worth: float


@dataclass(frozen=True, slots=True)
class Line:
    """A plumb (at x) or level (at y) line for the whole drawing, in units."""

    at: float
    through: tuple[str, ...]
    mean_reach: float


@dataclass(frozen=True, slots=True)
class Found:
    """Relations best first, and the best lines."""

    relations: tuple[Relation, ...]
    plumbs: tuple[Line, ...]
    levels: tuple[Line, ...]


@dataclass(frozen=True, slots=True)
class _Candidates:
    """All that hold: batch number and row in it, off, sd, worth, and rows of A (c, 2n)."""

    source: list[tuple[Batch, int]]
    off: Array
    sd: Array
    worth: Array
    rows: Array


def find_relations(adjusted: Adjustment, count: int = 15) -> Found:
    """The best `count` relations and the best plumb and level lines."""
    net = adjusted.network
    if len(net.ids) < 3 or net.study.unit is None:
        return Found((), (), ())
    view = _view(adjusted)
    candidates = _holding(adjusted, view)
    chosen = _one_of_each(candidates, view.covariance, count)
    return Found(
        relations=tuple(
            _relation(net.ids, candidates, index, number) for number, index in enumerate(chosen)
        ),
        plumbs=_lines(adjusted, view, 0),
        levels=_lines(adjusted, view, 1),
    )


def _view(adjusted: Adjustment) -> View:
    net = adjusted.network
    n = len(net.ids)
    covariance = prior_cofactor(adjusted)[: 2 * n, : 2 * n]
    extent = float(np.ptp(adjusted.places, axis=0).max()) or 1.0
    return View(adjusted.places, covariance, _edges(net.study, net.index), extent)


def _edges(study: Study, index: dict[str, int]) -> Any:
    """Pairs of landmarks whose distance means something: edges of shapes, pairs that were read,
    the unit."""
    found: set[tuple[int, int]] = set()

    def add(a: str, b: str) -> None:
        low, high = sorted((index[a], index[b]))
        if low != high:
            found.add((low, high))

    for shape in study.shapes:
        for a, b in pairwise((*shape.outline, *(shape.outline[:1] if shape.closed else ()))):
            add(a, b)
    for each in study.sightings:
        for a, b in pairwise(each.landmarks) if len(each.landmarks) == 2 else ():
            add(a, b)
    if isinstance(study.unit, UnitPair):
        add(study.unit.start, study.unit.end)
    return np.array(sorted(found), dtype=np.intp).reshape(-1, 2)


def _holding(adjusted: Adjustment, view: View) -> _Candidates:
    tiers = np.array([TIER_SHARE[each.tier] for each in adjusted.network.study.landmarks])
    source: list[tuple[Batch, int]] = []
    offs, sds, worths, rows = [], [], [], []
    for finder in FINDERS:
        for batch in finder(view):
            if not len(batch.where):
                continue
            off, sd, a = _measured(batch, view)
            worth = _worth(batch, view, off, sd, tiers[batch.where].mean(axis=1))
            keep = np.flatnonzero((np.abs(off) <= HOLDS * sd) & (sd > 1e-9))
            keep = keep[np.argsort(-worth[keep])[:SHORT_LIST]]
            source += [(batch, int(each)) for each in keep]
            offs.append(off[keep])
            sds.append(sd[keep])
            worths.append(worth[keep])
            rows.append(a[keep])
    if not source:
        empty = np.zeros(0)
        return _Candidates([], empty, empty, empty, np.zeros((0, len(view.covariance))))
    worth = np.concatenate(worths)
    best = np.argsort(-worth, kind="stable")[:SHORT_LIST]
    return _Candidates(
        [source[i] for i in best],
        np.concatenate(offs)[best],
        np.concatenate(sds)[best],
        worth[best],
        np.concatenate(rows)[best],
    )


def _measured(batch: Batch, view: View) -> tuple[Array, Array, Array]:
    """How far off (k,), sd of that (k,) and rows of A (k, 2n), in the unit computed with."""
    made = batch.kind.equation(
        batch.columns(), view.places[batch.where], np.zeros(len(batch.where))
    )
    off = batch.kind.misfit(made.fitted - batch.value)
    k, places = batch.where.shape
    rows = np.zeros((k, len(view.covariance)))
    for place in range(places):
        for axis in (0, 1):
            np.add.at(
                rows,
                (np.arange(k), 2 * batch.where[:, place] + axis),
                made.by_place[:, place, axis],
            )
    sd = np.sqrt(np.maximum(((rows @ view.covariance) * rows).sum(axis=1), 0.0))
    return off, sd, rows


def _worth(batch: Batch, view: View, off: Array, sd: Array, tier: Array) -> Array:
    size = np.minimum(1.0, batch.size / (0.5 * view.extent))
    certainty = 1.0 / (1.0 + (sd / UNCERTAIN) ** 2)
    closeness = np.exp(-0.5 * off**2 / (sd**2 + HAND**2))
    return batch.simplicity * size * certainty * closeness * tier


def _one_of_each(candidates: _Candidates, covariance: Array, count: int) -> list[int]:
    """Numbers of the candidates to name, best first, none of which follows from the others."""
    left = candidates.rows @ covariance @ candidates.rows.T
    own = np.maximum(left.diagonal().copy(), 1e-18)
    fresh = np.ones(len(own))
    named: dict[int, int] = {}
    chosen: list[int] = []
    while len(chosen) < min(count, len(own)):
        news = np.clip(left.diagonal() / own, 0.0, 1.0)
        best = int(np.argmax(candidates.worth * news * fresh))
        if candidates.worth[best] * news[best] * fresh[best] < 1e-3:
            break
        chosen.append(best)
        left = left - np.outer(left[best], left[best]) / (left[best, best] + 1e-4 * own[best])
        fresh[best] = 0.0
        batch, row = candidates.source[best]
        for landmark in {int(each) for each in batch.where[row]}:
            named[landmark] = named.get(landmark, 0) + 1
        for i, (other, at) in enumerate(candidates.source):
            if other.kind is batch.kind:
                fresh[i] *= AGAIN_KIND
            if set(map(int, other.where[at])) & set(map(int, batch.where[row])):
                fresh[i] *= AGAIN_LANDMARK
    return chosen


def _relation(ids: Sequence[str], candidates: _Candidates, index: int, number: int) -> Relation:
    batch, row = candidates.source[index]
    inside = batch.kind.inside
    return Relation(
        sighting=_as_sighting(batch, row, ids, f"r{number + 1}"),
        off=float(candidates.off[index]) / inside,
        sd=float(candidates.sd[index]) / inside,
        worth=float(candidates.worth[index]),
    )


def _as_sighting(batch: Batch, row: int, ids: Sequence[str], name: str) -> Sighting:
    names = [ids[each] for each in batch.where[row]]
    fields: dict[str, Any] = {"id": name}
    for slot, role in batch.kind.landmark_slots():
        fields[slot] = (names.pop(0), names.pop(0)) if role == "pair" else names.pop(0)
    if batch.along is not None:
        fields["along"] = batch.along
    if batch.kind.value_field is not None:
        fields[batch.kind.value_field] = float(batch.value[row]) / batch.kind.inside
    return batch.kind(**fields)


def _lines(adjusted: Adjustment, view: View, axis: int) -> tuple[Line, ...]:
    """The best plumb (axis 0) or level (axis 1) lines, best first and well apart."""
    at = view.places[:, axis]
    sd = np.sqrt(view.covariance.diagonal()[axis::2])
    known = sd < 0.5
    weight = np.array([TIER_SHARE[each.tier] for each in adjusted.network.study.landmarks])
    rated = []
    for centre in at[known]:
        on = known & (np.abs(at - centre) <= LINE_WIDTH)
        middle = float(np.average(at[on], weights=weight[on]))
        on = known & (np.abs(at - middle) <= LINE_WIDTH)
        if on.sum() < 2:
            continue
        reach = float(np.abs(at[known] - middle).mean())
        rated.append((float(weight[on].sum() - 1.0) / (reach + 0.1), middle, on, reach))
    chosen: list[Line] = []
    for _, middle, on, reach in sorted(rated, key=lambda each: -each[0]):
        if len(chosen) < LINES and all(abs(middle - each.at) > LINES_APART for each in chosen):
            through = tuple(adjusted.network.ids[i] for i in np.flatnonzero(on))
            chosen.append(Line(middle, through, reach))
    return tuple(chosen)
