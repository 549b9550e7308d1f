"""Shapes squeezed as the sheet ran out: the further towards an edge that is near, the narrower."""

from __future__ import annotations

from collections.abc import Iterator

import numpy as np

from zirkel.core.check.causes.base import Candidate, one_amount
from zirkel.core.check.drawing import Drawing

USUAL, SPREAD = 0.15, 0.08
"""By which share the far end is squeezed, and one standard deviation of that."""

KINDS = 12
NEAR = 0.15
"""How near the edge the plan comes, as a share of the sheet, where one feels it."""

SIDES = {"left": (0, -1.0), "right": (0, 1.0), "top": (1, -1.0), "bottom": (1, 1.0)}


def crowding(drawing: Drawing) -> Iterator[Candidate]:
    """Towards each edge that the plan comes near."""
    if drawing.sheet is None:
        return
    for side, (axis, way) in SIDES.items():
        away = way * (drawing.planned[:, axis] - drawing.middle[axis])
        reach = float(away.max())
        edge = drawing.sheet[axis] if way > 0 else 0.0
        room = abs(edge - drawing.planned[int(away.argmax()), axis])
        if room > NEAR * drawing.sheet[axis] or reach <= 0.0:
            continue
        columns = np.zeros_like(drawing.planned)
        columns[:, axis] = way * np.maximum(away, 0.0) ** 2 / reach
        yield Candidate(
            "crowding", columns.reshape(-1, 1), np.array([SPREAD]), KINDS,
            np.flatnonzero(away > 0.0),
            one_amount("factor", 1.0, side=side), mean=-USUAL,
        )  # fmt: skip
