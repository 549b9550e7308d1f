"""From a diagnosis to what is done: at most three orders, and the marks to touch up in passing."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.check.causes.base import Fault
from zirkel.core.check.diagnose import Diagnosis, diagnose
from zirkel.core.check.drawing import Drawing
from zirkel.core.check.suspects import Suspect, suspects
from zirkel.core.check.tolerance import left_over, own_place, tolerances
from zirkel.core.network.adjust import Adjustment

MOST_ORDERS = 3
"""More at once nobody carries out."""

UNDONE = 0.5
"""The share of a move that a larger one takes back, from which on both are not asked for."""


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
    orders: tuple[Correction, ...]
    """What repairs a cause, the most repairing first, so many at the most."""
    touch_up: Mapping[str, tuple[float, float]]
    """Marks that still lie outside their tolerance once the orders are carried out: how far each
    goes, in mm, to come to its place in passing."""
    standing: Mapping[str, Standing]
    suspects: tuple[Suspect, ...] = ()

    @property
    def sound(self) -> bool:
        """Whether nothing is wrong and every landmark is within its tolerance."""
        return not self.off and all(each.within for each in self.standing.values())

    @property
    def touched(self) -> Array:
        """(n, 2) how far each landmark goes in the pass over single marks, in mm."""
        none = (0.0, 0.0)
        return np.array([self.touch_up.get(name, none) for name in self.drawing.ids])

    @property
    def off(self) -> bool:
        """Whether something is wrong beyond marks to be touched up."""
        return bool(self.diagnosis.faults) or self.diagnosis.unexplained is not None

    @property
    def sound_tiers(self) -> tuple[int, ...]:
        """The tiers of which every landmark that was measured is within its tolerance; none while
        something is wrong with the whole."""
        if any(not each.landmarks for each in self.diagnosis.faults):
            return ()
        drawing = self.drawing
        stands = [self.standing[name].within for name in drawing.ids]
        return tuple(
            tier
            for tier in (1, 2, 3)
            if (drawing.tiers == tier).any()
            and all(ok for ok, own in zip(stands, drawing.tiers, strict=True) if own == tier)
        )


def check(drawing: Drawing, adjusted: Adjustment | None = None, unit_mm: float = 1.0) -> Check:
    """A drawing's faults, corrections, and how every landmark stands; with the readings' own
    adjustment also which of those is likelier to be wrong than the drawing."""
    found = diagnose(drawing)
    off = drawing.off - own_place(drawing, found.faults)
    tolerance = tolerances(drawing, found.errs)
    size = np.hypot(*off.T)
    standing = {
        name: Standing(
            (float(off[i, 0]), float(off[i, 1])), float(tolerance[i]), bool(size[i] <= tolerance[i])
        )
        for i, name in enumerate(drawing.ids)
    }
    orders = _orders(found)
    left = left_over(drawing, found.faults)
    for each in found.faults:
        if not any(each is order.fault for order in orders):
            left = left + each.moved
    touch_up = {
        drawing.ids[i]: (-float(left[i, 0]), -float(left[i, 1]))
        for i in np.flatnonzero(np.hypot(*left.T) > tolerance)
    }
    suspected = suspects(drawing, found, adjusted, unit_mm) if adjusted is not None else ()
    return Check(drawing, found, orders, touch_up, standing, suspected)


def _orders(found: Diagnosis) -> tuple[Correction, ...]:
    """The faults' repairs, the most repairing first; none that mostly undoes one before it: what
    that would have mended is left to the eye, or to the next check."""
    made: list[Correction] = []
    repairs = [Correction(each, -each.moved) for each in found.faults]
    for each in sorted(repairs, key=lambda one: -float(np.hypot(*one.moves.T).sum())):
        own = float((each.moves**2).sum())
        undone = any(float((each.moves * one.moves).sum()) < -UNDONE * own for one in made)
        if not undone and len(made) < MOST_ORDERS:
            made.append(each)
    return tuple(made)
