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
from zirkel.core.check.drawing import BASE_SHARE, BY_RECIPE_MM, BY_RECIPE_SDS, Drawing
from zirkel.core.check.suspects import Suspect, suspects
from zirkel.core.network.adjust import Adjustment

IN_TWENTY = 20.0

MOST_ORDERS = 3
"""More at once nobody carries out."""


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
    suspects: tuple[Suspect, ...] = ()

    @property
    def orders(self) -> tuple[Correction, ...]:
        """What repairs a cause, the most repairing first, so many at the most."""
        return tuple(each for each in self.corrections if self._repairs_a_cause(each))[:MOST_ORDERS]

    @property
    def touch_up(self) -> dict[str, tuple[float, float]]:
        """Marks that no cause explains and that still lie outside their tolerance after the
        corrections: how far each goes, in mm, to come to its place in passing."""
        alone = [each for each in self.corrections if not self._repairs_a_cause(each)]
        at = {name: number for number, name in enumerate(self.drawing.ids)}
        return {
            each.fault.landmarks[0]: (float(x), float(y))
            for each in alone
            for x, y in [each.moves[at[each.fault.landmarks[0]]]]
        }

    def _repairs_a_cause(self, correction: Correction) -> bool:
        return any(correction.fault is each for each in self.diagnosis.faults)

    @property
    def sound(self) -> bool:
        """Whether nothing is wrong and every landmark is within its tolerance."""
        return not self.diagnosis.faults and all(each.within for each in self.standing.values())

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
    off = drawing.off - _own(drawing, found)
    tolerance = tolerances(drawing, found.model.measure)
    size = np.hypot(*off.T)
    standing = {
        name: Standing(
            (float(off[i, 0]), float(off[i, 1])), float(tolerance[i]), bool(size[i] <= tolerance[i])
        )
        for i, name in enumerate(drawing.ids)
    }
    made = sorted(
        (Correction(each, -each.moved) for each in found.faults),
        key=lambda each: -int((np.hypot(*each.moves.T) > 0).sum()),
    )
    left = off + sum((each.moves for each in made), np.zeros_like(off))
    for i in np.flatnonzero(np.hypot(*left.T) > tolerance):
        moved = np.zeros_like(off)
        moved[i] = left[i]
        alone = Fault("landmark", {"off_mm": left[i].tolist()}, (drawing.ids[i],), moved)
        made.append(Correction(alone, -moved))
    suspected = suspects(drawing, found, adjusted, unit_mm) if adjusted is not None else ()
    return Check(drawing, found, tuple(made), standing, suspected)


def tolerances(drawing: Drawing, measure: float) -> Array:
    """(n,) what is tolerated of each landmark, in mm; `measure` is the factor on what measuring
    errs."""
    if drawing.by_recipe:
        usual = [BY_RECIPE_MM * BASE_SHARE[int(tier)] / BASE_SHARE[1] for tier in drawing.tiers]
        own = [drawing.own_mm[int(tier) - 1] for tier in drawing.tiers]
        asked = np.array([mine or mm for mine, mm in zip(own, usual, strict=True)])
        return np.maximum(asked, BY_RECIPE_SDS * drawing.sd)
    base = np.array([
        drawing.own_mm[int(tier) - 1] or drawing.extent * drawing.shares[int(tier) - 1]
        for tier in drawing.tiers
    ])  # fmt: skip
    n = len(drawing.ids)
    return np.hypot(base, measure * drawing.sd * np.sqrt(2.0 * np.log(IN_TWENTY * n)))


def _own(drawing: Drawing, found: Diagnosis) -> Array:
    """(n, 2) what place and size, the artist's own, move every landmark by: fitted to how far each
    is off by itself, as an eye would lay one over the other."""
    q = drawing.free.shape[1]
    if not q:
        return np.zeros_like(drawing.off)
    moved = sum((each.moved for each in found.faults), np.zeros_like(drawing.off))
    root = np.repeat(1.0 / drawing.sd, 2)
    amount = np.linalg.lstsq(
        drawing.free * root[:, None], (drawing.off - moved).ravel() * root, rcond=None
    )[0]
    made: Array = (drawing.free @ amount).reshape(-1, 2)
    return made
