"""Order: one landmark is lower, or further right, than another; a check that moves nothing.

Equation: g = c.(first - second) > 0 with c = (0, 1) for lower and (1, 0) for right. What is
"fitted" is min(g, 0): 0 while the order holds, else how far it is broken.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import ClassVar, Self

import numpy as np

from zirkel.core.arrays import Array, dot, stack
from zirkel.core.sightings.base import Columns, Equation, Sighting, choice, landmark, plain_columns


@dataclass(frozen=True, slots=True, kw_only=True)
class Order(Sighting):
    """Which of two is lower, or further right."""

    kind: ClassVar[str] = "order"
    value_field: ClassVar[str | None] = None
    holds: ClassVar[bool] = False

    first: str = landmark()
    second: str = landmark()
    axis: str = choice("lower", "right")

    def default_sigma(self, in_mm: bool) -> float:
        """As for an alignment: nearer than this, the eye cannot tell."""
        return 1.0 if in_mm else 0.03

    @classmethod
    def columns(cls, readings: Sequence[Self], start: Array) -> Columns:
        """The axis of each order as a unit vector."""
        aim = np.array([(0.0, 1.0) if each.axis == "lower" else (1.0, 0.0) for each in readings])
        return plain_columns(readings)._replace(aim=aim.reshape(-1, 2))

    @classmethod
    def equation(cls, c: Columns, p: Array, e: Array) -> Equation:
        """min(c.(first - second), 0); the derivative is that of the distance itself."""
        return Equation(np.minimum(dot(c.aim, p[:, 0] - p[:, 1]), 0.0), stack(c.aim, -c.aim))
