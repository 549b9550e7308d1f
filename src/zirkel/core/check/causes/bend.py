"""The whole bent: an upright line of symmetry, or a level one, that was drawn as a bow."""

from __future__ import annotations

from collections.abc import Iterator

import numpy as np

from zirkel.core.check.causes.base import Candidate, one_amount
from zirkel.core.check.drawing import Drawing

USUAL_MM = 5.0
KINDS = 12
WAYS = {"plumb": 0, "level": 1}
"""Lines that were bent, and along which axis their ends went."""


def bend(drawing: Drawing) -> Iterator[Candidate]:
    """Both ends gone to one side, the middle to the other: by so many mm from one to the other."""
    away = drawing.planned - drawing.middle
    for along, axis in WAYS.items():
        reach = np.abs(away[:, 1 - axis]).max()
        if not reach:
            continue
        bow = (away[:, 1 - axis] / reach) ** 2
        columns = np.zeros_like(away)
        columns[:, axis] = bow - bow.mean()
        yield Candidate(
            "bend", columns.reshape(-1, 1), np.array([USUAL_MM]), KINDS, np.arange(len(away)),
            one_amount("off_mm", along=along),
        )  # fmt: skip
