"""What was measured of a drawing, set against where it should be.

Symbols: n landmarks are both drawn and planned. P (n, 2) are their places in mm by the plan,
D (n, 2) how far off they were drawn. D errs with covariance s^2 C + t^2 S, where C (2n, 2n) is what
measuring the drawing leaves open and S (2n, 2n) what the readings do, in mm^2. Whoever drew by the
plan itself errs by C alone (t = 0); whoever looked at the subject also differs from the plan by the
plan's own errors (t = 1). Both factors are estimated with the causes. A' C A = I and A' S A =
diag(spread) turn and scale both at once, so that every covariance is diagonal.

Against the plan nothing is free; against proportions, place and size are the artist's own.
"""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from itertools import pairwise

import numpy as np

from zirkel.core.arrays import Array, Indices
from zirkel.core.check.measured import KNOWN_MM, measured, place_and_size
from zirkel.core.head import MIDDLE_POINTS, PAIRED_POINTS
from zirkel.core.network.adjust import Adjustment
from zirkel.core.network.candidates import prior_cofactor
from zirkel.core.sheet.plan import Plan
from zirkel.core.study import Study

LEAST = 3
"""Landmarks without which nothing can be said of a drawing."""

BASE_SHARE = {1: 0.015, 2: 0.012, 3: 0.01}
"""Tolerance by tier, as a share of the largest shape: a detail is set against its shape."""

SHARE_OF_MANNER: dict[str | None, float] = {None: 1.0, "copy": 0.6, "free": 1.6}
"""A copy is neutral to a hair; a free drawing need only agree with itself."""

LEAST_EXTENT_MM = 1.0

BY_RECIPE_MM, BY_RECIPE_SDS = 1.5, 2.0
"""What is tolerated of a large shape's mark that was to sit where the plan has it: the larger of so
many mm and so many of what measuring one errs; of the smaller ones in proportion."""


@dataclass(frozen=True, slots=True)
class Drawing:
    """n landmarks: ids, tiers (n,), P and D (n, 2), sd (n,) of one measured place, spread (2n,) and
    axes A (2n, 2n), and the columns (2n, q) of what is the artist's own."""

    ids: tuple[str, ...]
    tiers: Indices
    planned: Array
    off: Array
    sd: Array
    spread: Array
    axes: Array
    free: Array
    groups: tuple[tuple[str, Indices], ...]
    """Shapes, and shapes with all that is part of them: id, numbers of their landmarks."""
    hanging: tuple[tuple[int, Indices], ...] = ()
    """Of landmarks on which others hang by the recipe: its number, and all that moves with it."""
    receding: tuple[tuple[int, int], ...] = ()
    """Edges that run back in reality, near end first."""
    edges: tuple[tuple[int, int], ...] = ()
    """Edges of the shapes, by the numbers of their ends."""
    shares: tuple[float, float, float] = (BASE_SHARE[1], BASE_SHARE[2], BASE_SHARE[3])
    """Tolerance by tier, as a share of `extent`."""
    own_mm: tuple[float | None, float | None, float | None] = (None, None, None)
    """The artist's own, in mm, where there is one."""
    order: tuple[int, ...] = ()
    """Numbers of the landmarks in the order in which the recipe places them."""
    mirrored: tuple[tuple[tuple[int, ...], tuple[tuple[int, int], ...]], ...] = ()
    """Of each head: what lies on its line of symmetry, and its pairs."""
    flat: tuple[Indices, ...] = ()
    """Of each rim that lies level in reality: its landmarks."""
    sheet: tuple[float, float] | None = None
    """Width and height of the sheet, in mm."""
    by_recipe: bool = False
    """Whether each mark was to sit where the plan has it, however sure that is."""

    @property
    def middle(self) -> Array:
        """(2,) mean place by the plan."""
        made: Array = self.planned.mean(axis=0)
        return made

    def is_known(self, number: int) -> bool:
        """Whether so numbered a landmark was measured both ways."""
        return bool(self.sd[number] < KNOWN_MM)

    @property
    def extent(self) -> float:
        """The larger side of the box round the largest shape, or round all where there is none, in
        mm."""
        held = [self.planned[members] for _, members in self.groups] or [self.planned]
        return max(LEAST_EXTENT_MM, *(float(np.ptp(each, axis=0).max()) for each in held))


def drawing_of(
    study: Study,
    adjusted: Adjustment,
    plan: Plan,
    scatter: float = 1.0,
    hangs: Mapping[str, frozenset[str]] | None = None,
    receding: Sequence[tuple[str, str]] = (),
) -> Drawing | None:
    """What was measured of the study's drawing; None for fewer than three landmarks or all at one
    spot. `hangs` says of each landmark, in the order of placing, which were placed from it, by
    others too; `receding` are edges that run back, near end first."""
    found = measured(study, plan)
    number = {name: i for i, name in enumerate(adjusted.network.ids)}
    if found is None or plan.unit_mm is None or sum(found.sd < KNOWN_MM) < LEAST:
        return None
    ids = found.ids
    marks = [plan.marks[name] for name in ids]
    planned = np.array([(mark.held_left_mm, mark.held_top_mm) for mark in marks])
    if np.ptp(planned, axis=0).max() < LEAST_EXTENT_MM:
        return None
    at = np.array([number[name] for name in ids])
    rows = (2 * at[:, None] + np.arange(2)).ravel()
    open_mm = prior_cofactor(adjusted)[np.ix_(rows, rows)] * (plan.unit_mm * scatter) ** 2
    by_recipe = study.drawn_by == "recipe"
    if by_recipe:
        # What the plan leaves open adds to what the hand slipped by: it excuses no slip.
        open_mm = np.zeros_like(open_mm)
    spread, axes = _axes(found.covariance, open_mm)
    tier = {each.id: each.tier for each in study.landmarks}
    place = {name: i for i, name in enumerate(ids)}
    factor = SHARE_OF_MANNER[study.manner]
    own = study.tolerance
    return Drawing(
        ids=ids,
        tiers=np.array([tier[name] for name in ids]),
        planned=planned,
        off=found.places - planned,
        sd=found.sd,
        spread=spread,
        axes=axes,
        free=place_and_size(planned)
        if study.check_against == "proportions" or found.afloat
        else np.zeros((2 * len(ids), 0)),
        groups=_groups(study, place),
        hanging=_hanging(hangs or {}, place),
        order=tuple(place[name] for name in hangs or () if name in place),
        mirrored=tuple(_mirrored(each.points, place) for each in study.heads),
        flat=tuple(_rims(study, place)),
        sheet=(study.sheet.width_mm, study.sheet.height_mm),
        receding=tuple(
            (place[near], place[far]) for near, far in receding if near in place and far in place
        ),
        edges=_edges(study, place),
        shares=(BASE_SHARE[1] * factor, BASE_SHARE[2] * factor, BASE_SHARE[3] * factor),
        own_mm=(own.large, own.middle, own.detail) if own else (None, None, None),
        by_recipe=by_recipe,
    )


def _axes(measuring: Array, reading: Array) -> tuple[Array, Array]:
    """Eigenvalues (2n,) and axes (2n, 2n) that make the first covariance one and the second
    diagonal."""
    values, vectors = np.linalg.eigh(measuring)
    white = vectors / np.sqrt(np.maximum(values, values[-1] * 1e-12))
    spread, turned = np.linalg.eigh(white.T @ reading @ white)
    return np.maximum(spread, 0.0), white @ turned


def _hanging(
    hangs: Mapping[str, frozenset[str]], number: Mapping[str, int]
) -> tuple[tuple[int, Indices], ...]:
    """Each landmark with all that hangs on it, where that is more than a few and not nearly all."""
    made, told = [], set()
    for name, others in hangs.items():
        own = frozenset(number[each] for each in {name, *others} if each in number)
        if name in number and LEAST <= len(own) < len(number) and own not in told:
            told.add(own)
            made.append((number[name], np.array(sorted(own))))
    return tuple(made)


def _rims(study: Study, number: Mapping[str, int]) -> Iterator[Indices]:
    """Of each rim that lies level and of which both near and far were measured: its landmarks."""
    for each in study.rounds:
        names = (each.left, each.right, each.near, each.far)
        held = [number[name] for name in names if name is not None and name in number]
        if each.level and each.far in number and each.near in number:
            yield np.array(sorted(set(held)))


def _mirrored(
    points: Mapping[str, str], number: Mapping[str, int]
) -> tuple[tuple[int, ...], tuple[tuple[int, int], ...]]:
    """What of a head was measured on its line of symmetry, and which pairs beside it."""
    at = {point: number[name] for point, name in points.items() if name in number}
    return (
        tuple(at[each] for each in MIDDLE_POINTS if each in at),
        tuple(
            (at[f"{each}_left"], at[f"{each}_right"])
            for each in PAIRED_POINTS
            if f"{each}_left" in at and f"{each}_right" in at
        ),
    )


def _edges(study: Study, number: Mapping[str, int]) -> tuple[tuple[int, int], ...]:
    """Each edge of a shape that was measured at both ends, once."""
    told: dict[frozenset[int], tuple[int, int]] = {}
    for shape in study.shapes:
        round_ = [*shape.outline, shape.outline[0]] if shape.closed else list(shape.outline)
        for a, b in pairwise(round_):
            if a in number and b in number and a != b:
                told.setdefault(frozenset((number[a], number[b])), (number[a], number[b]))
    return tuple(told.values())


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
