"""Through which landmark a plumb or a level tells most in one glance.

All that lies on the line, or nearly, is told by it at once. The line offered passes by most of what
is still unsure across it: each landmark within `NEAR` of the whole counts by the variance that one
drop or level would take of it, weighted by tier, if it has not been read against that one yet.
"""

from __future__ import annotations

from collections.abc import Collection
from dataclasses import dataclass

import numpy as np

from zirkel.core.network.adjust import Adjustment
from zirkel.core.network.candidates import TIER_WEIGHT, with_thumbnail
from zirkel.core.network.extent import likely_places, sides
from zirkel.core.network.standing import BEARABLE
from zirkel.core.sightings import Drop, Level

NEAR = 0.06
"""Share of the whole's longer side within which a landmark may well lie on the line."""

FEWEST = 3
"""Landmarks near a line for it to be worth hanging."""

LINES = (Drop, Level)
"""The kind that a line of each axis is read as: a plumb tells x, a level y."""

UNSURE = 2.0
"""Variances of one such reading from which a landmark counts as unsure."""


@dataclass(frozen=True, slots=True)
class Hung:
    """A plumb (`drop`) or level through a landmark, and which landmarks lie near it."""

    kind: str
    through: str
    near: tuple[str, ...]


def best_to_hang(adjusted: Adjustment, unseen: Collection[str] = ()) -> Hung | None:
    """The line that tells most; None where none passes near three that are unsure."""
    net = adjusted.network
    n = len(net.ids)
    size = float(sides(adjusted).max()) if n else 0.0
    if n < FEWEST + 1 or size <= 0.0 or net.study.unit is None:
        return None
    places = likely_places(adjusted)
    own = with_thumbnail(adjusted, BEARABLE * size).diagonal()[: 2 * n].reshape(n, 2)
    weight = np.array([TIER_WEIGHT[each.tier] for each in net.study.landmarks])
    seen = ~np.isin(net.ids, list(unseen))
    best: tuple[float, Hung] | None = None
    asked = net.study.task
    for axis, rule in enumerate(LINES):
        kind = rule.kind
        if asked is not None and not asked.allows(kind):
            continue
        sigma = rule(id="", start="", end="").default_sigma(net.in_mm)
        read = {
            frozenset(each.landmarks)
            for each in net.sightings
            if each.kind in (kind, "span") and len(each.landmarks) == 2
        }
        for start in range(n):
            near = np.abs(places[:, axis] - places[start, axis]) < NEAR * size
            near &= seen & (own[:, axis] > UNSURE * sigma**2)
            near[start] = False
            numbers = [
                i
                for i in np.flatnonzero(near)
                if frozenset((net.ids[start], net.ids[i])) not in read
            ]
            if len(numbers) < FEWEST or not seen[start]:
                continue
            var = own[numbers, axis]
            score = float((weight[numbers] * var**2 / (var + own[start, axis] + sigma**2)).sum())
            if best is None or score > best[0]:
                near_names = tuple(net.ids[i] for i in numbers)
                best = score, Hung(kind, net.ids[start], near_names)
    return None if best is None else best[1]
