"""Which readings would best check those that nothing checks.

A reading x of its own sigma s_x is checked by the share r_x that the others know of it. A candidate
of row a and sigma s raises it by (x'Q a)^2 / (s_x^2 (s^2 + a'Q a)). What is unchecked is covered
greedily: the candidate that raises most of what is still missing comes next.
"""

from __future__ import annotations

import numpy as np

from zirkel.core.arrays import Array, Indices
from zirkel.core.network.adjust import Adjustment
from zirkel.core.network.assemble import gains
from zirkel.core.network.candidates import Candidates, quadratic

UNCHECKED = 0.1
"""Redundancy below which a reading counts as checked by nothing."""

MOST_ROWS = 60
"""Unchecked readings that are looked at together, those between large shapes first."""

CHUNK = 20_000
"""Candidates looked at together: memory grows with the landmarks squared, not with their cube."""


def unchecked(adjusted: Adjustment) -> tuple[str, ...]:
    """Readings that nothing would notice if they were wrong."""
    rows = np.flatnonzero(adjusted.redundancy < UNCHECKED)
    return tuple(adjusted.network.sightings[row].id for row in rows)


def best_checks(
    adjusted: Adjustment, candidates: Candidates, cofactor: Array, count: int
) -> list[tuple[int, tuple[str, ...]]]:
    """The numbers of the best few candidates, and the readings that each would check."""
    rows = _looked_at(adjusted)
    if not len(rows) or not len(candidates.sigma):
        return []
    reach = _rows_over_sigma(adjusted, rows) @ cofactor
    n = len(adjusted.network.ids)
    places = reach[:, : 2 * n].reshape(len(rows), n, 2)
    own = candidates.sigma**2 + quadratic(candidates, cofactor)
    missing = np.ones(len(rows))
    made: list[tuple[int, tuple[str, ...]]] = []
    for _ in range(count):
        best = _best(candidates, places, own, missing)
        rise = _rise(candidates, places, own, np.array([best]))[:, 0]
        covers = np.flatnonzero((rise > UNCHECKED) & (missing > 0))
        if not len(covers):
            break
        made.append((best, tuple(adjusted.network.sightings[rows[i]].id for i in covers)))
        missing[covers] = 0.0
    return made


def _looked_at(adjusted: Adjustment) -> Indices:
    rows = np.flatnonzero(adjusted.redundancy < UNCHECKED)
    tiers = {each.id: each.tier for each in adjusted.network.study.landmarks}
    sightings = adjusted.network.sightings
    order = sorted(rows, key=lambda row: sum(tiers[name] for name in sightings[row].landmarks))
    return np.array(order[:MOST_ROWS], dtype=np.intp)


def _best(candidates: Candidates, places: Array, own: Array, missing: Array) -> int:
    """The candidate that raises most of what is missing."""
    best, most = 0, -1.0
    for first in range(0, len(own), CHUNK):
        some = np.arange(first, min(first + CHUNK, len(own)))
        worth = missing @ np.minimum(_rise(candidates, places, own, some), 1.0)
        here = int(np.argmax(worth))
        if worth[here] > most:
            best, most = first + here, float(worth[here])
    return best


def _rise(candidates: Candidates, places: Array, own: Array, some: Indices) -> Array:
    """(k, c) by how much some candidates would raise the redundancy of the k readings."""
    i, j = candidates.pair[some].T
    met = ((places[:, j] - places[:, i]) * candidates.slope[some]).sum(axis=2)
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
