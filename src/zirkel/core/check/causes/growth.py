"""Size that grows from where the drawing was begun: each length a little larger than the one before
it, so that the far end is a tenth too large and the near one right.

By how far a landmark lies from the first, or by how many were placed before it.
"""

from __future__ import annotations

from collections.abc import Iterator

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.check.causes.base import Candidate, one_amount
from zirkel.core.check.drawing import Drawing

USUAL_GROWTH = 0.1
WIDTHS = ((1.0, 1), (3.0, 2))
"""How many times as large as usual, and among how many it is then one."""

KINDS, WAYS = 6, 2
BEGUN_AT = 3
"""So many of the first landmarks by the recipe may be the beginning without being asked why."""


def growth(drawing: Drawing) -> Iterator[Candidate]:
    """From each landmark, those that the recipe places first before all others."""
    everyone = np.arange(len(drawing.ids))
    for start in everyone:
        first = int(start) in drawing.order[:BEGUN_AT]
        alternatives = KINDS * WAYS * (BEGUN_AT if first else len(everyone))
        for ways in _ways(drawing, int(start)):
            away = drawing.planned - drawing.planned[start]
            columns = (away * ways[:, None]).reshape(-1, 1)
            for wide, among in WIDTHS:
                yield Candidate(
                    "growth", columns, np.array([wide * USUAL_GROWTH]), alternatives * among,
                    everyone, one_amount("factor", 1.0, **{"from": drawing.ids[start]}),
                )  # fmt: skip


def _ways(drawing: Drawing, start: int) -> Iterator[Array]:
    """(n,) which share of the growth has come about at each landmark, 1 at the last."""
    far = np.hypot(*(drawing.planned - drawing.planned[start]).T)
    if far.max() > 0.0:
        yield far / far.max()
    if drawing.order and drawing.order[0] == start and len(drawing.order) == len(drawing.ids):
        placed = np.empty(len(far))
        placed[list(drawing.order)] = np.arange(len(far))
        yield placed / placed.max()
