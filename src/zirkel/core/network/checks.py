"""Which readings would best check those that nothing checks.

A reading x of its own sigma s_x is checked by the share r_x that the others know of it. A candidate
of row a and sigma s raises it by (x'Q a)^2 / (s_x^2 (s^2 + a'Q a)). What is unchecked is covered
greedily: the candidate that raises most of what is still missing comes next.
"""

from __future__ import annotations

from collections.abc import Collection

import numpy as np

from zirkel.core.arrays import Array, Indices
from zirkel.core.network.adjust import Adjustment
from zirkel.core.network.assemble import gains
from zirkel.core.network.candidates import Candidates, quadratic
from zirkel.core.network.looks import proof

UNCHECKED = 0.1
"""Redundancy below which a reading counts as checked by nothing."""

MOST_ROWS = 40
"""Unchecked readings that are looked at together, those between large shapes first."""

CHUNK, EACH = 8_000, 40
"""Candidates looked at together, and how many of them are kept."""


def unchecked(adjusted: Adjustment) -> tuple[str, ...]:
    """Readings that nothing would notice if they were wrong."""
    return tuple(adjusted.network.sightings[row].id for row in _rows(adjusted))


def _rows(adjusted: Adjustment) -> Indices:
    """Rows of what the artist read and nothing checks."""
    own = np.array([not each.computed for each in adjusted.network.sightings], dtype=bool)
    return np.flatnonzero((proof(adjusted) < UNCHECKED) & own)


def best_checks(
    adjusted: Adjustment,
    candidates: Candidates,
    cofactor: Array,
    count: int,
    only: Collection[str] | None = None,
) -> list[tuple[int, tuple[str, ...]]]:
    """The numbers of the best few candidates, and the readings that each would check: of all that
    nothing checks, or `only` of these."""
    rows = _looked_at(adjusted, only)
    if not len(rows) or not len(candidates.sigma):
        return []
    reach = _rows_over_sigma(adjusted, rows) @ cofactor
    own = candidates.sigma**2 + quadratic(candidates, cofactor)
    short = _short_list(candidates, reach, own)
    rise = _rise(candidates, reach, own, short)
    missing = np.ones(len(rows))
    made: list[tuple[int, tuple[str, ...]]] = []
    for _ in range(count):
        best = int(np.argmax(missing @ np.minimum(rise, 1.0)))
        covers = np.flatnonzero((rise[:, best] > UNCHECKED) & (missing > 0))
        if not len(covers):
            break
        names = tuple(adjusted.network.sightings[rows[i]].id for i in covers)
        made.append((int(short[best]), names))
        missing[covers] = 0.0
    return made


def _looked_at(adjusted: Adjustment, only: Collection[str] | None) -> Indices:
    tiers = {each.id: each.tier for each in adjusted.network.study.landmarks}
    sightings = adjusted.network.sightings
    rows = [row for row in _rows(adjusted) if only is None or sightings[row].id in only]
    order = sorted(rows, key=lambda row: sum(tiers[name] for name in sightings[row].landmarks))
    return np.array(order[:MOST_ROWS], dtype=np.intp)


def _short_list(candidates: Candidates, reach: Array, own: Array) -> Indices:
    """The candidates that would raise most in all, and for each reading those that raise it most;
    looked at in pieces, so that memory grows with the landmarks squared, not with their cube."""
    kept: list[Indices] = []
    for first in range(0, len(own), CHUNK):
        some = np.arange(first, min(first + CHUNK, len(own)))
        rise = _rise(candidates, reach, own, some)
        worth = np.minimum(rise, 1.0).sum(axis=0)
        kept += [some[np.argsort(-worth, kind="stable")[:EACH]], some[rise.argmax(axis=1)]]
    return np.unique(np.concatenate(kept))


def _rise(candidates: Candidates, reach: Array, own: Array, some: Indices) -> Array:
    """(k, c) by how much some candidates would raise the redundancy of the k readings."""
    i, j = candidates.pair[some].T
    g = candidates.slope[some]
    met = (reach[:, 2 * j] - reach[:, 2 * i]) * g[:, 0]
    met += (reach[:, 2 * j + 1] - reach[:, 2 * i + 1]) * g[:, 1]
    rise: Array = met**2 / own[some]
    return rise


def _rows_over_sigma(adjusted: Adjustment, rows: Indices) -> Array:
    """(k, 2n + t) rows of A over all full coordinates, each divided by its sigma."""
    net = adjusted.network
    full = np.zeros((len(rows), 2 * len(net.ids) + len(net.takes) + 1))
    gain = gains(net.datum, adjusted.places)
    for k, number in enumerate(rows):
        for bucket, entries in zip(net.buckets, adjusted.linear.entries, strict=True):
            own = number - bucket.rows.start
            if 0 <= own < len(entries):
                at = bucket.full[own]
                scaled = np.divide(
                    entries[own], gain[at], out=np.zeros(len(at)), where=gain[at] != 0
                )
                np.add.at(full[k], at, scaled)
    return full[:, :-1]
