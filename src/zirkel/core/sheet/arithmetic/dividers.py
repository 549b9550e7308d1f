"""Dividers: the ratio, the pivot, and the distances that are worth carrying.

Proportional dividers with arms p and 1 - p of their whole length, from the pivot, open their
points in the ratio r = p / (1 - p); so the pivot goes to p = r / (1 + r), which on a scale of ten
parts is 10 r / (1 + r).
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from itertools import combinations

import numpy as np

CARRIED = 12
"""How many distances are worth carrying before the rest goes freehand."""

SPREAD = 0.75
"""What a distance counts less each time one of its ends has been used."""


@dataclass(frozen=True, slots=True)
class Carried:
    """A distance to carry, in units and on the sheet."""

    start: str
    end: str
    units: float
    sheet_mm: float


def pivot_of_ten(ratio: float) -> float:
    """Where the pivot goes on a ten-part scale for an enlargement. ValueError unless above 0."""
    if not ratio > 0:
        raise ValueError("the ratio must be more than 0: sheet over reference")
    return 10.0 * ratio / (1.0 + ratio)


def worth_carrying(
    places: Mapping[str, Sequence[float]], tiers: Mapping[str, int], unit_mm: float
) -> list[Carried]:
    """The distances that tie the large shapes together: long ones first, spread over landmarks."""
    weight = {1: 1.0, 2: 0.6, 3: 0.3}
    used = dict.fromkeys(places, 0)
    pairs = {
        (a, b): float(np.hypot(*(np.subtract(places[a], places[b]))))
        for a, b in combinations(places, 2)
    }
    made: list[Carried] = []
    while pairs and len(made) < CARRIED:
        a, b = max(
            pairs,
            key=lambda pair: pairs[pair] ** 0.5
            * weight[tiers[pair[0]]] * weight[tiers[pair[1]]]
            * SPREAD ** (used[pair[0]] + used[pair[1]]),
        )  # fmt: skip
        length = pairs.pop((a, b))
        made.append(Carried(a, b, length, length * unit_mm))
        used[a] += 1
        used[b] += 1
    return made
