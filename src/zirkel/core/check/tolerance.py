"""How far a landmark may be off, and how far each is once what is known has been repaired.

A landmark is within its tolerance if it is no further off than its tier allows, together with what
measuring the drawing may feign: the largest of n measured offsets passes sd sqrt(2 ln 20 n) in one
of twenty sound drawings.
"""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.check.causes.base import Fault
from zirkel.core.check.drawing import BASE_SHARE, BY_RECIPE_MM, BY_RECIPE_SDS, Drawing

IN_TWENTY = 20.0


def tolerances(drawing: Drawing, measure: float = 1.0) -> Array:
    """(n,) what is tolerated of each landmark, in mm; `measure` is the factor on what measuring
    errs."""
    if drawing.by_recipe:
        usual = [BY_RECIPE_MM * BASE_SHARE[int(tier)] / BASE_SHARE[1] for tier in drawing.tiers]
        own = [drawing.own_mm[int(tier) - 1] for tier in drawing.tiers]
        asked = np.array([mine or mm for mine, mm in zip(own, usual, strict=True)])
        return np.maximum(asked, BY_RECIPE_SDS * drawing.sd)
    feigned = measure * drawing.sd * np.sqrt(2.0 * np.log(IN_TWENTY * len(drawing.ids)))
    return np.hypot(by_eye(drawing), feigned)


def by_eye(drawing: Drawing) -> Array:
    """(n,) what is tolerated of each landmark of a drawing by eye, measuring apart, in mm."""
    return np.array([
        drawing.own_mm[int(tier) - 1] or drawing.extent * drawing.shares[int(tier) - 1]
        for tier in drawing.tiers
    ])  # fmt: skip


def own_place(drawing: Drawing, faults: Sequence[Fault]) -> Array:
    """(n, 2) what place and size, the artist's own, move every landmark by besides these faults:
    fitted to how far each is off by itself, as an eye would lay one over the other."""
    if not drawing.free.shape[1]:
        return np.zeros_like(drawing.off)
    moved = sum((each.moved for each in faults), np.zeros_like(drawing.off))
    root = np.repeat(1.0 / drawing.sd, 2)
    amount = np.linalg.lstsq(
        drawing.free * root[:, None], (drawing.off - moved).ravel() * root, rcond=None
    )[0]
    made: Array = (drawing.free @ amount).reshape(-1, 2)
    return made


def left_over(drawing: Drawing, faults: Sequence[Fault]) -> Array:
    """(n, 2) how far every landmark is off, in mm, with these faults repaired and place and size
    left to the artist where they are."""
    repaired = sum((each.moved for each in faults), np.zeros_like(drawing.off))
    made: Array = drawing.off - repaired - own_place(drawing, faults)
    return made
