"""The whole too large, turned, stretched, leaning or shifted: columns about its middle.

Usual amounts are a few in a hundred, or two degrees, one standard deviation: so practised hands
and eyes err. A beginner's are several times that: each cause is offered at more than one width, the
wider the dearer, which is a scale mixture in place of one prior.
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

WIDTHS = ((1.0, 1), (2.5, 2), (6.0, 4))
"""How many times as large as usual, and among how many it is then one."""


def whole(drawing: Drawing) -> Iterator[Candidate]:
    """Each way in which a whole drawing goes wrong."""
    away = drawing.planned - drawing.middle
    x, y = away.T
    zero = np.zeros_like(x)
    own = drawing.free.shape[1] > 0

    def offered(
        kind: str, dx: Array, dy: Array, usual: float, told: Any, exact: Any
    ) -> Iterator[Candidate]:
        columns = np.column_stack([dx, dy]).reshape(-1, 1)
        everyone = np.arange(len(x))
        for wide, among in WIDTHS:
            yield Candidate(kind, columns, np.array([wide * usual]), KINDS * among, everyone, told,
                            exact=exact)  # fmt: skip

    def straight(across: float, down: float) -> Any:
        return lambda b, p: p * (1.0 + float(b[0]) * np.array([across, down]))

    if not own:
        yield from offered("size", x, y, USUAL_SHARE, _factor, straight(1.0, 1.0))
        yield _shift(drawing)
    yield from offered("tilt", -y, x, USUAL_RADIANS, _degrees, _turned)
    yield from offered("lean", -y, zero, USUAL_RADIANS, _leaning, _sheared)
    yield from offered("stretch", -x / 2, y / 2, USUAL_SHARE, _both_sides, _drawn_out)
    if not own:
        yield from offered("stretch", zero, y, USUAL_SHARE, _factor, straight(0.0, 1.0))
        yield from offered("stretch", -x, zero, USUAL_SHARE, _narrowed, straight(-1.0, 0.0))


def _drawn_out(amount: Array, places: Array) -> Array:
    """As much taller as narrower."""
    half = float(amount[0]) / 2.0
    made: Array = places * np.exp([-half, half])
    return made


def _turned(amount: Array, places: Array) -> Array:
    """Clockwise, on a sheet whose y runs down."""
    c, s = math.cos(float(amount[0])), math.sin(float(amount[0]))
    made: Array = places @ np.array([[c, s], [-s, c]])
    return made


def _sheared(amount: Array, places: Array) -> Array:
    made: Array = places + np.column_stack([-float(amount[0]) * places[:, 1], 0.0 * places[:, 1]])
    return made


def _factor(amount: Array) -> dict[str, Any]:
    return {"factor": 1.0 + float(amount[0])}


def _degrees(amount: Array) -> dict[str, Any]:
    return {"degrees": math.degrees(float(amount[0]))}


def _leaning(amount: Array) -> dict[str, Any]:
    return {"degrees": math.degrees(math.atan(float(amount[0])))}


def _both_sides(amount: Array) -> dict[str, Any]:
    return {"factor": math.exp(float(amount[0]))}


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
