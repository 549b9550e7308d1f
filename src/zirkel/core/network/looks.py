"""Copies of one look: the same reading taken again from one stance proves nothing.

Two readings of the same kind over the same landmarks from one stance share whatever was wrong with
the look: the wrong point, the bent elbow. Adjusted, they check each other; together they are worth
one reading. Of k copies with redundancies r the one look they are has the redundancy

    R = 1 - sum(1 - r) = sum(r) - (k - 1),

as the leverage of equal rows adds up.
"""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.network.adjust import Adjustment
from zirkel.core.sightings import Sighting

Look = tuple[str, str | None, frozenset[str], str | None]


def looks(sightings: Sequence[Sighting]) -> list[Look]:
    """What each reading looks at: kind, way of measuring, landmarks, and the stance, which is the
    take that was last named."""
    stance: str | None = None
    made = []
    for each in sightings:
        stance = each.take_name or stance
        made.append((each.kind, getattr(each, "along", None), frozenset(each.landmarks), stance))
    return made


def proof(adjusted: Adjustment) -> Array:
    """(k,) how well each reading is checked by other looks: its redundancy, copies taken as one."""
    net = adjusted.network
    own = np.asarray(adjusted.redundancy, dtype=float)
    groups: dict[Look, list[int]] = {}
    for row, look in enumerate(looks(net.sightings)):
        if adjusted.weight[row] > 0 and not net.sightings[row].computed:
            groups.setdefault(look, []).append(row)
    made = own.copy()
    for rows in groups.values():
        if len(rows) > 1:
            made[rows] = max(0.0, float(own[rows].sum()) - (len(rows) - 1))
    return made
