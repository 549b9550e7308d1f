"""The finders: where each kind of simple relation nearly holds. One function a kind.

They only look for candidates; whether a relation holds within the drawing's own uncertainty, and
what it is worth, is the same for all and decided in `rank`.
"""

from __future__ import annotations

from collections.abc import Iterator

import numpy as np
from numpy.typing import NDArray

from zirkel.core.arrays import Array, Indices
from zirkel.core.network.relations.batch import CLOSE_ENOUGH, Batch, View
from zirkel.core.sightings import Drop, Level, Match, Parallel, Part, Run

SHORTEST, SHORT_SHARE = 0.3, 0.15
"""Least length over which a relation is worth a look, in units and as a share of the drawing."""

FRACTIONS = ((1, 2, 1.0), (1, 3, 0.55), (2, 3, 0.55), (1, 4, 0.4), (3, 4, 0.4),
             (1, 5, 0.2), (2, 5, 0.2), (3, 5, 0.2), (4, 5, 0.2))  # fmt: skip
"""Numerator, denominator and simplicity of the parts a draughtsman finds by eye."""

VALUES = np.array(sorted(above / below for above, below, _ in FRACTIONS))
SIMPLICITIES = np.array(
    [simple for _, simple in sorted((above / below, s) for above, below, s in FRACTIONS)]
)

RATIOS = ((1.0, 1.0), (2.0, 0.5), (3.0, 0.3), (1.5, 0.3))
"""Ratios of two lengths and their simplicity; the longer one comes first."""

FURTHEST_RUN = 2.5
"""How many times its own length a line can be carried on."""

ONE_WAY = 0.7
"""Simplicity of a part that is counted in one direction only: a half that lies on the line is a
half whichever way it is looked at."""

NEARLY_PARALLEL = np.radians(3.0)


def alignments(view: View) -> Iterator[Batch]:
    """Landmarks straight under one another, or at the same height."""
    i, j = view.pairs()
    d = view.places[j] - view.places[i]
    for kind, across, along in ((Drop, 0, 1), (Level, 1, 0)):
        size = np.abs(d[:, along])
        keep = (np.abs(d[:, across]) <= view.pencil) & (size > SHORTEST)
        where = np.stack([i, j], axis=1)
        yield Batch(kind, None, where, np.zeros(len(i)), size, np.ones(len(i))).only(keep)


def _long_pairs(view: View) -> tuple[Indices, Indices]:
    """Pairs of firm landmarks far enough apart for a relation along them."""
    i, j = view.pairs()
    d = view.places[j] - view.places[i]
    far = np.hypot(d[:, 0], d[:, 1]) > max(SHORTEST, SHORT_SHARE * view.extent)
    keep = far & view.firm[i] & view.firm[j]
    return i[keep], j[keep]


def parts(view: View) -> Iterator[Batch]:
    """Landmarks half-way, a third, a quarter or so many fifths of the way between two others."""
    i, j = _long_pairs(view)
    number = np.arange(len(view.places))
    b = view.places[j] - view.places[i]
    a = view.places[None, :, :] - view.places[i][:, None, :]
    for along in ("plumb", "level", "straight"):
        whole, part, near = _counted(along, a, b, view.pencil)
        with np.errstate(divide="ignore", invalid="ignore"):
            share = part / np.where(np.abs(whole) > SHORTEST, whole, np.nan)[:, None]
        near &= (number != i[:, None]) & (number != j[:, None])
        nearest = _nearest_fraction(share)
        off = np.abs(share - VALUES[nearest])
        near &= (off < CLOSE_ENOUGH / 2) & (off * np.abs(whole)[:, None] <= view.pencil)
        pair, k = np.nonzero(near)
        which = nearest[pair, k]
        where = np.stack([i[pair], j[pair], k], axis=1)
        length = np.abs(whole[pair])
        simple = SIMPLICITIES[which] * _together(view, along, where, length)
        yield Batch(Part, along, where, VALUES[which], length, simple)


def _nearest_fraction(share: Array) -> Indices:
    """Number of the fraction nearest to each share."""
    between = (VALUES[1:] + VALUES[:-1]) / 2.0
    found: Indices = np.searchsorted(between, np.nan_to_num(share))
    return found


def _together(view: View, along: str, where: Indices, whole: Array) -> Array:
    """How readily three landmarks are seen as one stretch: less, the further they lie apart
    across the direction in which it is counted."""
    if along == "straight":
        return np.ones(len(where))
    across = view.places[where][:, :, 1 if along == "level" else 0]
    return ONE_WAY / (1.0 + (np.ptp(across, axis=1) / whole) ** 2)


def _counted(
    along: str, a: Array, b: Array, pencil: float
) -> tuple[Array, Array, NDArray[np.bool_]]:
    """Whole (p,), part (p, n) and where the third landmark is near enough to its line (p, n)."""
    if along == "straight":
        length = np.hypot(b[:, 0], b[:, 1])
        way = b / np.maximum(length, 1e-9)[:, None]
        beside = np.abs(a[:, :, 0] * way[:, None, 1] - a[:, :, 1] * way[:, None, 0])
        part = (a * way[:, None, :]).sum(axis=2)
        return length, part, (beside <= pencil) & (length > SHORTEST)[:, None]
    axis = 0 if along == "level" else 1
    return b[:, axis], a[:, :, axis], np.ones(a.shape[:2], dtype=bool)


def runs(view: View) -> Iterator[Batch]:
    """Lines between two landmarks that, carried on, hit a third."""
    i, j = _long_pairs(view)
    first, second = np.concatenate([i, j]), np.concatenate([j, i])
    b = view.places[second] - view.places[first]
    length = np.hypot(b[:, 0], b[:, 1])
    way = b / np.maximum(length, 1e-9)[:, None]
    a = view.places[None, :, :] - view.places[first][:, None, :]
    ahead = (a * way[:, None, :]).sum(axis=2)
    beside = np.abs(a[:, :, 0] * way[:, None, 1] - a[:, :, 1] * way[:, None, 0])
    sloping = (np.abs(way).min(axis=1) > 0.1) & (length > SHORTEST)
    hits = (beside <= view.pencil) & sloping[:, None]
    hits &= (ahead > 1.15 * length[:, None]) & (ahead < (1 + FURTHEST_RUN) * length[:, None])
    pair, k = np.nonzero(hits)
    where = np.stack([first[pair], second[pair], k], axis=1)
    yield Batch(Run, None, where, np.zeros(len(k)), length[pair], np.full(len(k), 0.45))


def matches(view: View) -> Iterator[Batch]:
    """Lengths that equal each other, or are so many times one another."""
    i, j = view.edges.T if len(view.edges) else (np.zeros(0, int), np.zeros(0, int))
    d = view.places[j] - view.places[i]
    measures = {
        "straight": np.hypot(d[:, 0], d[:, 1]),
        "level": np.abs(d[:, 0]),
        "plumb": np.abs(d[:, 1]),
    }
    first, second = np.nonzero(~np.eye(len(i), dtype=bool))
    for along, measure in measures.items():
        long, short = measure[first], measure[second]
        fit = (long > SHORTEST) & (short > SHORTEST)
        if along != "straight":
            # Equal level or upright lengths from one end are a plumb or level through the others,
            # or a half, and named as such.
            fit &= (i[first] != i[second]) & (i[first] != j[second])
            fit &= (j[first] != i[second]) & (j[first] != j[second])
        else:
            fit &= (np.abs(d).min(axis=1) > 0.1 * measure)[first]
        rho = long / np.where(short > 0, short, np.inf)
        for ratio, simplicity in RATIOS:
            once = first < second if ratio == 1.0 else np.ones(len(first), dtype=bool)
            off = np.abs(rho - ratio)
            keep = fit & once & (off < ratio * CLOSE_ENOUGH) & (off * short <= view.pencil)
            where = np.stack([i[first], j[first], i[second], j[second]], axis=1)[keep]
            count = len(where)
            size = np.minimum(long, short)[keep]
            yield Batch(
                Match, along, where, np.full(count, ratio), size, np.full(count, simplicity)
            )


def parallels(view: View) -> Iterator[Batch]:
    """Sloping edges that lean alike."""
    i, j = view.edges.T if len(view.edges) else (np.zeros(0, int), np.zeros(0, int))
    d = view.places[j] - view.places[i]
    length = np.hypot(d[:, 0], d[:, 1])
    tilt = np.arctan2(d[:, 0], -d[:, 1])
    sloping = (length > SHORTEST) & (np.abs(d).min(axis=1) > 0.1 * length)
    first, second = np.triu_indices(len(i), 1)
    turn = tilt[first] - tilt[second]
    turn -= np.pi * np.round(turn / np.pi)
    where = np.stack([i[first], j[first], i[second], j[second]], axis=1)
    apart = np.array([len(set(each)) == 4 for each in where.tolist()], dtype=bool)
    keep = sloping[first] & sloping[second] & (np.abs(turn) < NEARLY_PARALLEL)
    keep &= apart if len(where) else keep
    size = np.minimum(length[first], length[second])
    count = len(where)
    yield Batch(Parallel, None, where, np.zeros(count), size, np.full(count, 0.4)).only(keep)


FINDERS = (alignments, parts, runs, matches, parallels)
