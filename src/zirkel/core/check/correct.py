"""From a diagnosis to what is done: tolerances, and the fewest moves that bring all within them.

A landmark is within its tolerance if it is no further off than its tier allows, together with what
measuring the drawing may feign: the largest of n measured offsets passes sd sqrt(2 ln 20 n) in one
of twenty sound drawings.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.check.causes.base import Fault
from zirkel.core.check.diagnose import Diagnosis, diagnose
from zirkel.core.check.drawing import BASE_SHARE, Drawing

IN_TWENTY = 20.0


@dataclass(frozen=True, slots=True)
class Correction:
    """One move: the fault that it repairs, and by how much each landmark goes (n, 2), in mm."""

    fault: Fault
    moves: Array


@dataclass(frozen=True, slots=True)
class Standing:
    """How far one landmark is off, in mm, what is tolerated, and whether it is within."""

    off: tuple[float, float]
    tolerance: float
    within: bool


@dataclass(frozen=True, slots=True)
class Check:
    """A drawing checked: whether it is sound, its faults, what repairs them, where each stands."""

    drawing: Drawing
    diagnosis: Diagnosis
    corrections: tuple[Correction, ...]
    standing: Mapping[str, Standing]

    @property
    def sound(self) -> bool:
        """Whether nothing is wrong and every landmark is within its tolerance."""
        return not self.diagnosis.faults and all(each.within for each in self.standing.values())


def check(drawing: Drawing) -> Check:
    """A drawing's faults, corrections, and how every landmark stands."""
    found = diagnose(drawing)
    off = drawing.off - _own(drawing, found)
    tolerance = tolerances(drawing, found.model.sigma)
    size = np.hypot(*off.T)
    standing = {
        name: Standing(
            (float(off[i, 0]), float(off[i, 1])), float(tolerance[i]), bool(size[i] <= tolerance[i])
        )
        for i, name in enumerate(drawing.ids)
    }
    made = [Correction(each, -each.moved) for each in found.faults]
    left = off + sum((each.moves for each in made), np.zeros_like(off))
    for i in np.flatnonzero(np.hypot(*left.T) > tolerance):
        moved = np.zeros_like(off)
        moved[i] = left[i]
        alone = Fault("landmark", {"off_mm": left[i].tolist()}, (drawing.ids[i],), moved)
        made.append(Correction(alone, -moved))
    return Check(drawing, found, tuple(made), standing)


def tolerances(drawing: Drawing, sigma: float) -> Array:
    """(n,) what is tolerated of each landmark, in mm."""
    base = drawing.extent * np.array([BASE_SHARE[int(tier)] for tier in drawing.tiers])
    n = len(drawing.ids)
    return np.hypot(base, sigma * np.sqrt(2.0 * np.log(IN_TWENTY * n)))


def _own(drawing: Drawing, found: Diagnosis) -> Array:
    """(n, 2) what place and size, the artist's own, move every landmark by."""
    q = drawing.free.shape[1]
    if not q:
        return np.zeros_like(drawing.off)
    moved = sum((each.moved for each in found.faults), np.zeros_like(drawing.off))
    v = found.model.sigma**2 + found.model.read**2 * drawing.spread
    x = drawing.axes.T @ drawing.free
    left = drawing.axes.T @ (drawing.off - moved).ravel()
    amount = np.linalg.solve(x.T @ (x / v[:, None]), x.T @ (left / v))
    made: Array = (drawing.free @ amount).reshape(-1, 2)
    return made
