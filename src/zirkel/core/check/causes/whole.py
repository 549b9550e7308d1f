"""The whole too large, turned, stretched, leaning or shifted: columns about its middle.

Usual amounts are a few in a hundred, or two degrees, one standard deviation: so hands and eyes err.
A stretch may have left either side as it was, or been shared by both: that is told as one fault.
"""

from __future__ import annotations

import math
from collections.abc import Iterator
from typing import Any

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.check.causes.base import Candidate
from zirkel.core.check.drawing import Drawing

USUAL_SHARE, USUAL_RADIANS, USUAL_MM = 0.05, 0.04, 8.0
KINDS = 6


def whole(drawing: Drawing) -> Iterator[Candidate]:
    """Each way in which a whole drawing goes wrong."""
    away = drawing.planned - drawing.middle
    x, y = away.T
    zero = np.zeros_like(x)
    own = drawing.free.shape[1] > 0

    def candidate(kind: str, dx: Array, dy: Array, usual: float, told: Any) -> Candidate:
        columns = np.column_stack([dx, dy]).reshape(-1, 1)
        everyone = np.arange(len(x))
        return Candidate(kind, columns, np.array([usual]), KINDS, everyone, told)

    if not own:
        yield candidate("size", x, y, USUAL_SHARE, lambda b: {"factor": 1.0 + float(b[0])})
        yield _shift(drawing)
    yield candidate("tilt", -y, x, USUAL_RADIANS, _degrees)
    yield candidate("lean", -y, zero, USUAL_RADIANS, _degrees)
    yield candidate("stretch", -x / 2, y / 2, USUAL_SHARE, _both_sides)
    if not own:
        yield candidate("stretch", zero, y, USUAL_SHARE, lambda b: {"factor": 1.0 + float(b[0])})
        yield candidate("stretch", -x, zero, USUAL_SHARE, _narrowed)


def _degrees(amount: Array) -> dict[str, Any]:
    return {"degrees": math.degrees(float(amount[0]))}


def _both_sides(amount: Array) -> dict[str, Any]:
    half = float(amount[0]) / 2.0
    return {"factor": (1.0 + half) / max(1.0 - half, 0.1)}


def _narrowed(amount: Array) -> dict[str, Any]:
    return {"factor": 1.0 / max(1.0 - float(amount[0]), 0.1)}


def _shift(drawing: Drawing) -> Candidate:
    n = len(drawing.ids)
    columns = np.zeros((2 * n, 2))
    columns[0::2, 0] = 1.0
    columns[1::2, 1] = 1.0
    return Candidate(
        "shift", columns, np.full(2, USUAL_MM), KINDS, np.arange(n),
        lambda b: {"off_mm": [float(b[0]), float(b[1])]},
    )  # fmt: skip
