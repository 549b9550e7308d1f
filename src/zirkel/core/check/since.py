"""A check against the one before it: which marks came to where they were sent, which moved though
nobody sent them.

A mark was repaired if it lies less than half as far off as before, or within what measuring errs;
one that nobody sent has moved if it lies further off than before by more than that.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

import numpy as np

from zirkel.core.drawn import KeptCheck

HALF = 0.5
ERRS_MM = 3.0
"""Two photographs of one mark differ by less: twice what a place tapped on each errs."""


@dataclass(frozen=True, slots=True)
class Since:
    """Marks that were sent and came, that were sent and did not, and how far (mm) others moved away
    from where they should be."""

    repaired: tuple[str, ...]
    open: tuple[str, ...]
    besides: Mapping[str, tuple[float, float]]


def since(before: KeptCheck, now: KeptCheck) -> Since:
    """What has become of the drawing between two checks of the same landmarks."""
    everyone = set(before.places) & set(now.places) & set(before.targets) & set(now.targets)

    def off(check: KeptCheck, name: str) -> float:
        return float(np.hypot(*np.subtract(check.places[name], check.targets[name])))

    sent: set[str] = set()
    for each in before.moves:
        sent |= set(each.landmarks) if each.landmarks else everyone
    far = {name for name in sent & everyone if off(before, name) > ERRS_MM}
    came = {
        name for name in far if off(now, name) <= max(HALF * off(before, name), ERRS_MM)
    }  # fmt: skip
    besides = {}
    for name in sorted(everyone - far):
        dx, dy = np.subtract(now.places[name], before.places[name])
        if off(now, name) > off(before, name) + ERRS_MM:
            besides[name] = (float(dx), float(dy))
    order = list(now.places)
    return Since(
        tuple(name for name in order if name in came),
        tuple(name for name in order if name in far - came),
        besides,
    )
