"""What was measured of a drawing, set against where it should be.

Symbols: n landmarks are both drawn and planned. P (n, 2) are their places in mm by the plan,
D (n, 2) how far off they were drawn. D errs with covariance s^2 sigma^2 I + t^2 S, where sigma is
one measure on the sheet and S (2n, 2n) what the readings leave open, in mm^2. Whoever drew by the
plan itself errs by sigma alone (t = 0); whoever looked at the subject also differs from the plan by
the plan's own errors (t = 1). Both factors are estimated with the causes.

Against the plan nothing is free; against proportions, place and size are the artist's own.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

import numpy as np

from zirkel.core.arrays import Array, Indices
from zirkel.core.network.adjust import Adjustment
from zirkel.core.network.candidates import prior_cofactor
from zirkel.core.sheet.plan import Plan
from zirkel.core.study import Study

LEAST = 3
"""Landmarks without which nothing can be said of a drawing."""

BASE_SHARE = {1: 0.015, 2: 0.012, 3: 0.01}
"""Tolerance by tier, as a share of the drawing's larger side: a detail is set against its shape."""

LEAST_EXTENT_MM = 1.0


@dataclass(frozen=True, slots=True)
class Drawing:
    """n landmarks: ids, tiers (n,), P and D (n, 2), sigma, eigenvalues (2n,) and eigenvectors
    (2n, 2n) of S, and the columns (2n, q) of what is the artist's own."""

    ids: tuple[str, ...]
    tiers: Indices
    planned: Array
    off: Array
    sigma: float
    spread: Array
    axes: Array
    free: Array
    groups: tuple[tuple[str, Indices], ...]
    """Shapes, and shapes with all that is part of them: id, numbers of their landmarks."""

    @property
    def middle(self) -> Array:
        """(2,) mean place by the plan."""
        made: Array = self.planned.mean(axis=0)
        return made

    @property
    def extent(self) -> float:
        """The larger side of the box round the drawing, in mm."""
        return max(float(np.ptp(self.planned, axis=0).max()), LEAST_EXTENT_MM)


def drawing_of(
    study: Study, adjusted: Adjustment, plan: Plan, scatter: float = 1.0
) -> Drawing | None:
    """What was measured of the study's drawing; None for fewer than three landmarks or all at one
    spot."""
    number = {name: i for i, name in enumerate(adjusted.network.ids)}
    known = [each for each in study.landmarks if each.id in study.drawn and each.id in number]
    if len(known) < LEAST or plan.unit_mm is None:
        return None
    ids = tuple(each.id for each in known)
    marks = [plan.marks[name] for name in ids]
    planned = np.array([(mark.held_left_mm, mark.held_top_mm) for mark in marks])
    off = np.array([study.drawn[name] for name in ids], dtype=float) - planned
    if np.ptp(planned, axis=0).max() < LEAST_EXTENT_MM:
        return None
    at = np.array([number[name] for name in ids])
    rows = (2 * at[:, None] + np.arange(2)).ravel()
    open_mm = prior_cofactor(adjusted)[np.ix_(rows, rows)] * (plan.unit_mm * scatter) ** 2
    spread, axes = np.linalg.eigh(open_mm)
    return Drawing(
        ids=ids,
        tiers=np.array([each.tier for each in known]),
        planned=planned,
        off=off,
        sigma=study.drawn_sigma_mm,
        spread=np.maximum(spread, 0.0),
        axes=axes,
        free=_free(planned)
        if study.check_against == "proportions"
        else np.zeros((2 * len(ids), 0)),
        groups=_groups(study, {name: i for i, name in enumerate(ids)}),
    )


def _free(planned: Array) -> Array:
    """Columns of place and size: across, down, larger."""
    n = len(planned)
    made = np.zeros((2 * n, 3))
    made[0::2, 0] = 1.0
    made[1::2, 1] = 1.0
    made[:, 2] = (planned - planned.mean(axis=0)).ravel()
    return made


def _groups(study: Study, number: Mapping[str, int]) -> tuple[tuple[str, Indices], ...]:
    """Each shape, and each with its parts, as sets of landmarks that are told once."""
    parts: dict[str, set[int]] = {
        shape.id: {number[name] for name in shape.outline if name in number}
        for shape in study.shapes
    }
    above = {shape.id: shape.part_of for shape in study.shapes}
    whole = {name: set(own) for name, own in parts.items()}
    for name, own in parts.items():
        seen, up = {name}, above[name]
        while up is not None and up in whole and up not in seen:
            whole[up] |= own
            seen.add(up)
            up = above[up]
    told: dict[frozenset[int], str] = {}
    for sets in (parts, whole):
        for name, held in sets.items():
            if len(held) >= LEAST and len(held) < len(number):
                told.setdefault(frozenset(held), name)
    return tuple((name, np.array(sorted(held))) for held, name in told.items())
