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

from collections.abc import Collection, Sequence
from dataclasses import dataclass
from itertools import pairwise
from typing import Any

import numpy as np

from zirkel.core.arrays import Array, Flags, Indices
from zirkel.core.network.adjust import Adjustment, place_looseness
from zirkel.core.network.candidates import prior_cofactor
from zirkel.core.network.relations.batch import CLOSE_ENOUGH, Batch, View
from zirkel.core.network.relations.finders import FINDERS
from zirkel.core.patience import step
from zirkel.core.sightings import Sighting
from zirkel.core.study import Study, UnitPair

HOLDS = 2.5
UNCERTAIN = 0.03
HAND = 0.02
"""How exactly a hand can place what is said, in units or as a share."""

TIER_SHARE = {1: 1.0, 2: 0.7, 3: 0.45}
MOST_LOOKED_AT, MOST_EDGES = 120, 400
"""Landmarks, and pairs of them whose distance means something, among which relations are looked
for; the large shapes first. A drawing that has more is still begun by the simple relations among
its large shapes, and looking for all would take time and memory by the cube of their number."""

SHORT_LIST = 600
"""Candidates that are compared with one another."""

AGAIN_KIND, AGAIN_LANDMARK = 0.86, 0.92
"""Factors for each time that a kind or a landmark was named before."""

PENCIL_MM = 1.5
"""What a pencil line shows: nothing further off than this, on the sheet, is called simple."""

LOOSE_SHARE = 1e-6

LINE_WIDTH = 0.04
LINES = 3
LINES_APART = 0.15


@dataclass(frozen=True, slots=True)
class Relation:
    """A simple relation: as the sighting that says it, how far off it is, and its worth.

    `off` and `sd` are in the sighting's own unit; `within` is what the two come to, 19 times in 20,
    at the far end of the length that it spans, in units.
    """

    sighting: Sighting
    off: float
    sd: float
    worth: float
    within: float


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


def find_relations(
    adjusted: Adjustment,
    count: int = 15,
    unit_mm: float | None = None,
    shaky: Collection[str] = (),
) -> Found:
    """The best `count` relations and the best plumb and level lines.

    `unit_mm` is what a unit measures on the sheet: a relation holds there within what a pencil
    line shows. None leans on a landmark that is loose, nor on those in `shaky`.
    """
    net = adjusted.network
    if len(net.ids) < 3 or net.study.unit is None:
        return Found((), (), ())
    firm = np.linalg.eigvalsh(place_looseness(adjusted))[:, 1] < LOOSE_SHARE
    firm &= ~np.isin(net.ids, list(shaky))
    step("looking for simple relations")
    view = _view(adjusted, firm, unit_mm)
    candidates = _holding(view)
    chosen = _one_of_each(candidates, view.covariance, count)
    return Found(
        relations=tuple(
            _relation(view.ids, candidates, index, number) for number, index in enumerate(chosen)
        ),
        plumbs=_lines(view, 0),
        levels=_lines(view, 1),
    )


def _view(adjusted: Adjustment, firm: Flags, unit_mm: float | None) -> View:
    net = adjusted.network
    tiers = np.array([each.tier for each in net.study.landmarks])
    seen = np.sort(np.lexsort((np.arange(len(tiers)), tiers, ~firm))[:MOST_LOOKED_AT])
    number = np.full(len(tiers), -1)
    number[seen] = np.arange(len(seen))
    coordinates = (2 * seen[:, None] + np.arange(2)).ravel()
    covariance = prior_cofactor(adjusted)[np.ix_(coordinates, coordinates)]
    extent = float(np.ptp(adjusted.places, axis=0).max()) or 1.0
    mm = 1.0 if net.in_mm else unit_mm
    pencil = CLOSE_ENOUGH if mm is None else min(PENCIL_MM / mm, CLOSE_ENOUGH)
    edges = _edges(net.study, net.index)
    edges = edges[(firm[edges] & (number[edges] >= 0)).all(axis=1)] if len(edges) else edges
    return View(
        tuple(net.ids[each] for each in seen),
        np.array([TIER_SHARE[each] for each in tiers[seen].tolist()]),
        adjusted.places[seen],
        covariance,
        number[edges][:MOST_EDGES],
        extent,
        firm[seen],
        pencil,
    )


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


def _holding(view: View) -> _Candidates:
    source: list[tuple[Batch, int]] = []
    offs, sds, worths, rows = [], [], [], []
    for finder in FINDERS:
        for found in finder(view):
            batch = found.only(np.all(view.firm[found.where], axis=1))
            if not len(batch.where):
                continue
            off, sd, by_place = _measured(batch, view)
            worth = _worth(batch, view, off, sd, view.share[batch.where].mean(axis=1))
            keep = np.flatnonzero(_holds(batch, view, off, sd) & (sd > 1e-9))
            keep = keep[np.argsort(-worth[keep])[:SHORT_LIST]]
            source += [(batch, int(each)) for each in keep]
            offs.append(off[keep])
            sds.append(sd[keep])
            worths.append(worth[keep])
            rows.append(_rows(batch.where[keep], by_place[keep], len(view.covariance)))
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


def _holds(batch: Batch, view: View, off: Array, sd: Array) -> Flags:
    """Where relations hold within their own uncertainty and, over the length that they span, within
    what a pencil line shows."""
    over = {"match": batch.size, "part": batch.size, "parallel": batch.size}.get(
        batch.kind.kind, np.ones(len(off))
    )
    return (np.abs(off) <= HOLDS * sd) & (np.abs(off) * over <= view.pencil)


def _measured(batch: Batch, view: View) -> tuple[Array, Array, Array]:
    """How far off (k,), sd of that (k,) and the derivative by place (k, L, 2), in the unit computed
    with."""
    made = batch.kind.equation(
        batch.columns(), view.places[batch.where], np.zeros(len(batch.where))
    )
    off = batch.kind.misfit(made.fitted - batch.value)
    k, places = batch.where.shape
    column = np.stack([2 * batch.where, 2 * batch.where + 1], axis=2).reshape(k, 2 * places)
    g = made.by_place.reshape(k, 2 * places)
    variance = np.zeros(k)
    for i in range(2 * places):
        for j in range(2 * places):
            variance += g[:, i] * g[:, j] * view.covariance[column[:, i], column[:, j]]
    return off, np.sqrt(np.maximum(variance, 0.0)), made.by_place


def _rows(where: Indices, by_place: Array, length: int) -> Array:
    """Rows of A (k, 2n)."""
    rows = np.zeros((len(where), length))
    k = np.arange(len(where))
    for place in range(where.shape[1]):
        for axis in (0, 1):
            np.add.at(rows, (k, 2 * where[:, place] + axis), by_place[:, place, axis])
    return rows


def _worth(batch: Batch, view: View, off: Array, sd: Array, tier: Array) -> Array:
    size = np.minimum(1.0, batch.size / (0.5 * view.extent))
    certainty = 1.0 / (1.0 + (sd / UNCERTAIN) ** 2)
    closeness = np.exp(-0.5 * off**2 / (sd**2 + HAND**2))
    return batch.simplicity * size * certainty * closeness * tier


def _one_of_each(candidates: _Candidates, covariance: Array, count: int) -> list[int]:
    """Numbers of the candidates to name, best first, none of which follows from the others."""
    left = candidates.rows @ covariance @ candidates.rows.T
    own = np.maximum(left.diagonal().copy(), 1e-18)
    kinds = np.array([batch.kind.kind for batch, _ in candidates.source])
    on = np.zeros((len(own), len(covariance) // 2), dtype=bool)
    for number, (batch, row) in enumerate(candidates.source):
        on[number, batch.where[row]] = True
    fresh = np.ones(len(own))
    chosen: list[int] = []
    while len(chosen) < min(count, len(own)):
        news = np.clip(left.diagonal() / own, 0.0, 1.0)
        best = int(np.argmax(candidates.worth * news * fresh))
        if candidates.worth[best] * news[best] * fresh[best] < 1e-3:
            break
        chosen.append(best)
        left = left - np.outer(left[best], left[best]) / (left[best, best] + 1e-4 * own[best])
        fresh[best] = 0.0
        fresh[kinds == kinds[best]] *= AGAIN_KIND
        fresh[np.any(on & on[best], axis=1)] *= AGAIN_LANDMARK
    return chosen


def _relation(ids: Sequence[str], candidates: _Candidates, index: int, number: int) -> Relation:
    batch, row = candidates.source[index]
    inside = batch.kind.inside
    over = float(batch.size[row]) if batch.kind.kind in ("match", "part", "parallel") else 1.0
    return Relation(
        sighting=_as_sighting(batch, row, ids, f"r{number + 1}"),
        off=float(candidates.off[index]) / inside,
        sd=float(candidates.sd[index]) / inside,
        worth=float(candidates.worth[index]),
        within=float(np.hypot(candidates.off[index], 2.0 * candidates.sd[index])) * over,
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


def _lines(view: View, axis: int) -> tuple[Line, ...]:
    """The best plumb (axis 0) or level (axis 1) lines, best first and well apart. What a line is
    said to go through lies on it within what a pencil line shows."""
    at = view.places[:, axis]
    sd = np.sqrt(view.covariance.diagonal()[axis::2])
    known = (sd < 0.5) & view.firm
    weight = view.share
    width = min(LINE_WIDTH, view.pencil)
    rated = []
    for centre in at[known]:
        on = known & (np.abs(at - centre) <= width)
        middle = float(np.average(at[on], weights=weight[on]))
        on = known & (np.abs(at - middle) <= width)
        if on.sum() < 2:
            continue
        reach = float(np.abs(at[known] - middle).mean())
        rated.append((float(weight[on].sum() - 1.0) / (reach + 0.1), middle, on, reach))
    chosen: list[Line] = []
    for _, middle, on, reach in sorted(rated, key=lambda each: -each[0]):
        if len(chosen) < LINES and all(abs(middle - each.at) > LINES_APART for each in chosen):
            through = tuple(view.ids[i] for i in np.flatnonzero(on))
            chosen.append(Line(middle, through, reach))
    return tuple(chosen)
