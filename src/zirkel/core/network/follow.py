"""The adjustment after an edit: from the last version's places, with the last version's inverse.

One reading more, less or otherwise changes N by aa' each, so that the last Q = N^-1 becomes

    Q -+ Q a a'Q / (1 +- a'Q a)

(J. Sherman and W. Morrison, 1950). With that, the steps to the new least cost need no
factorization. It serves where the unknowns are the same and nothing was loose; else the adjustment
descends from the last places.
"""

from __future__ import annotations

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.network.adjust import Adjustment, conclude, row_of_design
from zirkel.core.network.assemble import Network, linearize
from zirkel.core.network.descend import Descent, descend, polished
from zirkel.core.network.start import on_datum

MOST_EDITED = 4
"""Readings that may differ for the inverse to be brought up to date one by one."""


def followed(net: Network, weight: Array, before: Adjustment) -> Adjustment:
    """The adjustment of a network from where that of an earlier version ended."""
    begin = _begin(net, before)
    found = _by_update(net, weight, before, begin)
    return conclude(net, found or descend(net, begin, weight), weight)


def _begin(net: Network, before: Adjustment) -> tuple[Array, Array]:
    """The earlier places (n, 2) and drifts (t,); new landmarks as far from the others as on the
    thumbnail."""
    places = net.start.copy()
    number = before.network.index
    known = [i for i, name in enumerate(net.ids) if name in number]
    if known:
        there = before.places[[number[net.ids[i]] for i in known]]
        places += np.median(there - net.start[known], axis=0)
        places[known] = there
    drift_of = dict(zip(before.network.takes, before.drifts, strict=True))
    drifts = np.array([drift_of.get(name, 0.0) for name in net.takes])
    return on_datum(net.study, places), drifts


def _by_update(
    net: Network, weight: Array, before: Adjustment, begin: tuple[Array, Array]
) -> Descent | None:
    old = before.network
    same = (net.study.landmarks, net.takes, net.study.unit, net.study.trust) == (
        old.study.landmarks, old.takes, old.study.unit, old.study.trust
    )  # fmt: skip
    if not same or before.loose.shape[1] or not (before.weight > 0).all():
        return None
    # A reading that no change has touched is the very same record in both versions.
    then, now = set(map(id, old.sightings)), set(map(id, net.sightings))
    come = [row for row, each in enumerate(net.sightings) if id(each) not in then]
    gone = [row for row, each in enumerate(old.sightings) if id(each) not in now]
    if len(come) + len(gone) > MOST_EDITED:
        return None
    linear = linearize(net, *begin, weight)
    q = before.cofactor.copy()
    for sign, rows, where, at in ((1.0, come, net, linear), (-1.0, gone, old, before.linear)):
        for row in rows:
            reach = q @ row_of_design(where, at, row)
            left = 1.0 + sign * float(reach @ row_of_design(where, at, row))
            if left < 1e-3:
                return None
            q -= sign * np.outer(reach, reach) / left
    there, done = polished(net, begin, np.inf, lambda rhs: q @ rhs, weight)
    return Descent(*there, linearize(net, *there, weight), 1, True) if done else None
