"""Shapes too large, too small or turned together, about their own middle: the features of a face in
a right outline, the windows of a front.

Which belong together is not told: each shape, each with its parts, the shapes of one tier and below
it, what stands within another's box, and two or three shapes at a time are offered; the search
takes in and lets go shapes and landmarks from there. Where their common middle is, a draughtsman
does not know to a millimetre either: it may lie a little beside the mean of their landmarks.
"""

from __future__ import annotations

import math
from collections.abc import Iterator
from itertools import combinations
from typing import Any

import numpy as np

from zirkel.core.arrays import Array, Indices
from zirkel.core.check.causes.base import Candidate
from zirkel.core.check.drawing import Drawing

USUAL_GROWTH, USUAL_RADIANS, BESIDE_MM = 0.12, 0.1, 1.5
KINDS, WAYS = 6, 2
LEAST = 4
LARGEST_SHARE = 0.75
"""More than this is the whole."""

MOST_SETS = 120


def together(drawing: Drawing) -> Iterator[Candidate]:
    """Each set of shapes that may have gone wrong as one: its size, its turn."""
    sets = list(_sets(drawing))
    for members in sets:
        yield resized(drawing, members, KINDS + WAYS * len(sets))
        yield turned(drawing, members, KINDS + WAYS * len(sets))


def _sets(drawing: Drawing) -> Iterator[Indices]:
    most = LARGEST_SHARE * len(drawing.ids)
    told: set[frozenset[int]] = set()
    for held in _offered(drawing):
        if LEAST <= len(held) <= most and held not in told and len(told) < MOST_SETS:
            told.add(held)
            yield np.array(sorted(held))


def _offered(drawing: Drawing) -> Iterator[frozenset[int]]:
    groups = [frozenset(each.tolist()) for _, each in drawing.groups]
    yield from groups
    for tier in (2, 3):
        yield frozenset(np.flatnonzero(drawing.tiers >= tier).tolist())
        yield frozenset(np.flatnonzero(drawing.tiers == tier).tolist())
    for outer in groups:
        low, high = (f(drawing.planned[sorted(outer)], axis=0) for f in (np.min, np.max))
        within = ((drawing.planned > low) & (drawing.planned < high)).all(axis=1)
        inside = [each for each in groups if not each & outer and within[sorted(each)].all()]
        yield frozenset().union(*inside)
        yield frozenset(np.flatnonzero(within).tolist()) - outer
    for few in (2, 3):
        for some in combinations(groups, few):
            if not any(a & b for a, b in combinations(some, 2)):
                yield frozenset().union(*some)


def resized(drawing: Drawing, members: Indices, alternatives: float) -> Candidate:
    """These landmarks larger about their own middle."""
    return Candidate(
        "group_size", _columns(drawing, members, np.eye(2)),
        np.array([USUAL_GROWTH, BESIDE_MM, BESIDE_MM]), alternatives, members,
        lambda b: {"factor": 1.0 + float(b[0])},
    )  # fmt: skip


def turned(drawing: Drawing, members: Indices, alternatives: float) -> Candidate:
    """These landmarks turned clockwise about their own middle."""
    return Candidate(
        "group_tilt", _columns(drawing, members, np.array([[0.0, 1.0], [-1.0, 0.0]])),
        np.array([USUAL_RADIANS, BESIDE_MM, BESIDE_MM]), alternatives, members, _degrees,
    )  # fmt: skip


def _degrees(amounts: Array) -> dict[str, Any]:
    return {"degrees": math.degrees(float(amounts[0]))}


def _columns(drawing: Drawing, members: Indices, way: Array) -> Array:
    """(2n, 3) what one of it does, and of its middle lying beside theirs."""
    made = np.zeros((len(drawing.ids), 2, 3))
    own = drawing.planned[members]
    made[members, :, 0] = (own - own.mean(axis=0)) @ way
    made[members, 0, 1] = made[members, 1, 2] = 1.0
    return made.reshape(-1, 3)
