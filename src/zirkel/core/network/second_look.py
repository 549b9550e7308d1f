"""A second look at a solution whose readings contradict one another far too much.

Problem: undirected tilts, unsigned lengths and straight spans can be met by a landmark on the wrong
side of its neighbours. From a poor thumbnail the adjustment may settle in such a mirror image,
where some readings stay strained and no small step helps.

Each landmark with strained readings is in turn carried over a grid about its tapped place, the
others held, and put down where its own readings agree best. Agreement is judged by
sum v^2 / (1 + v^2/c^2), which counts how many readings agree rather than how badly the worst does,
as some of them may hang on landmarks that are themselves in the wrong place (J. Besag (1986),
On the statistical analysis of dirty pictures, for the one-at-a-time search; S. Geman and
D. McClure (1987) for the function). The adjustment then starts again from there, and whichever
solution has the lower sum of squares is kept. It stops when a round brings nothing.
"""

from __future__ import annotations

import numpy as np

from zirkel.core.arrays import Array, Indices
from zirkel.core.network.assemble import Group, Network
from zirkel.core.sightings.base import Columns

STRAINED = 2.0
"""Standardized residual from which the landmarks of a reading are tried elsewhere."""

REACH, SPACING = 1.35, 0.15
"""Extent of the grid about a landmark's tapped place and its spacing, in units."""

ELSEWHERE = 0.3
"""How far, in units, a place must be from another to count as different."""

SOFTEST = 3.0
"""c: misfits far beyond this many sigmas all count alike."""


def strained(net: Network, standardized: Array) -> Indices:
    """Numbers of the landmarks on strained readings, most strained first."""
    strain = np.zeros(len(net.ids))
    for group in net.groups:
        v = np.nan_to_num(standardized[group.rows]) ** 2
        for place in range(group.where.shape[1]):
            np.maximum.at(strain, group.where[:, place], v)
    order = np.argsort(-strain, kind="stable")
    return order[strain[order] > STRAINED**2]


def put_right(net: Network, places: Array, weight: Array, doubtful: Indices) -> Array:
    """Places (n, 2) with each doubtful landmark where its own readings agree best."""
    offsets = grid()
    there = places.copy()
    for number in doubtful:
        candidates = np.concatenate([there[number, None], net.start[number] + offsets])
        agreement = disagreement(net, there, weight, int(number), candidates)
        there[number] = candidates[int(np.argmin(agreement))]
    return there


def elsewhere(net: Network, places: Array, weight: Array, number: int) -> Array:
    """Places (n, 2) with one landmark at the best place that is not where it is now."""
    candidates = net.start[number] + grid()
    far = np.hypot(*(candidates - places[number]).T) > ELSEWHERE
    agreement = disagreement(net, places, weight, number, candidates[far])
    there = places.copy()
    there[number] = candidates[far][int(np.argmin(agreement))]
    return there


def disagreement(
    net: Network, places: Array, weight: Array, number: int, candidates: Array
) -> Array:
    """(g,) softened disagreement of one landmark's readings with it at each of g candidates."""
    total = np.zeros(len(candidates))
    for group in net.groups:
        rows = np.flatnonzero((group.where == number).any(axis=1))
        if len(rows):
            total += _of_group(group, rows, places, weight, number, candidates)
    return total


def _of_group(
    group: Group, rows: Indices, places: Array, weight: Array, number: int, candidates: Array
) -> Array:
    g, k = len(candidates), len(rows)
    where = group.where[rows]
    p = np.broadcast_to(places[where], (g, *where.shape, 2)).copy()
    p[:, where == number] = candidates[:, None, :]
    c = group.columns
    columns = Columns(
        np.tile(c.reading[rows], g), np.tile(c.aim[rows], (g, 1)), np.tile(c.free[rows], g)
    )
    made = group.kind.equation(columns, p.reshape(g * k, -1, 2), np.zeros(g * k))
    misfit = group.kind.misfit(columns.reading - made.fitted).reshape(g, k)
    square = (misfit * weight[group.rows][rows]) ** 2
    return (square / (1.0 + square / SOFTEST**2)).sum(axis=1)


def grid() -> Array:
    """(g, 2) offsets of the grid, nearest first."""
    steps = np.arange(-REACH, REACH + SPACING / 2, SPACING)
    across, down = np.meshgrid(steps, steps)
    here_first = np.argsort(across.ravel() ** 2 + down.ravel() ** 2, kind="stable")
    return np.stack([across.ravel(), down.ravel()], axis=1)[here_first]
