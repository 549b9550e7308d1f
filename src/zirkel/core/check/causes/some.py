"""Some landmarks moved together, or one alone: a shape and what hangs on it, or, where no shape is
given, a patch of neighbours; and any set that a patch grew into."""

from __future__ import annotations

from collections.abc import Iterator

import numpy as np
from scipy.special import gammaln

from zirkel.core.arrays import Indices
from zirkel.core.check.causes.base import Candidate
from zirkel.core.check.drawing import Drawing

USUAL_MM, FAR_MM, SELDOM = 6.0, 60.0, 6.0
"""How far landmarks that are off usually are, each way; and how far one by itself may be where it
was mistaken for another or put on the wrong side, which is so many times as seldom."""

PATCHES = (3, 4, 5, 6, 7, 8, 9, 10, 12)
"""Sizes of the patches that are tried."""

LARGEST_SHARE = 0.6
"""More of a drawing than this is the whole."""


def one(drawing: Drawing) -> Iterator[Candidate]:
    """Each landmark by itself."""
    n = len(drawing.ids)
    for number in range(n):
        yield moved(drawing, np.array([number]), n)
        yield moved(drawing, np.array([number]), SELDOM * n, FAR_MM)


def shapes(drawing: Drawing) -> Iterator[Candidate]:
    """Each shape, and each with its parts."""
    count = max(len(drawing.groups), 1)
    for _, members in drawing.groups:
        if len(members) <= LARGEST_SHARE * len(drawing.ids):
            yield moved(drawing, members, 2.0 * count)


def hanging(drawing: Drawing) -> Iterator[Candidate]:
    """A landmark with all that was placed from it: one wrong width that all the rest copied."""
    count = max(len(drawing.hanging), 1)
    for _, members in drawing.hanging:
        if len(members) <= LARGEST_SHARE * len(drawing.ids):
            yield moved(drawing, members, 4.0 * count)


def patches(drawing: Drawing) -> Iterator[Candidate]:
    """Neighbours round each landmark."""
    n = len(drawing.ids)
    apart = ((drawing.planned[:, None] - drawing.planned[None]) ** 2).sum(axis=2)
    near = np.argsort(apart, axis=1, kind="stable")
    sizes = [each for each in PATCHES if each <= LARGEST_SHARE * n]
    told: set[bytes] = set()
    for number in range(n):
        for size in sizes:
            members = np.sort(near[number, :size])
            if members.tobytes() not in told:
                told.add(members.tobytes())
                yield moved(drawing, members, float(n * len(PATCHES)))


def moved(
    drawing: Drawing, members: Indices, alternatives: float | None = None, usual: float = USUAL_MM
) -> Candidate:
    """These landmarks moved together; among all sets of their number unless told."""
    n, k = len(drawing.ids), len(members)
    if alternatives is None:
        alternatives = n * float(np.exp(gammaln(n + 1) - gammaln(k + 1) - gammaln(n - k + 1)))
    columns = np.zeros((2 * n, 2))
    columns[2 * members, 0] = 1.0
    columns[2 * members + 1, 1] = 1.0
    return Candidate(
        "landmark" if k == 1 else "group", columns, np.full(2, usual), alternatives, members,
        lambda b: {"off_mm": [float(b[0]), float(b[1])]},
    )  # fmt: skip
