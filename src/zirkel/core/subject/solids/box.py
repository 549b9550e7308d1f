"""Box: a block standing on its base."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

import numpy as np

from zirkel.core.subject.solids.base import (
    Face,
    Solid,
    Vector,
    mesh,
    need_positive,
    turned_about_upright,
)

SIDES = ([0, 1, 5, 4], [1, 2, 6, 5], [2, 3, 7, 6], [3, 0, 4, 7], [4, 5, 6, 7], [3, 2, 1, 0])
CORNERS = ((-1, -1), (1, -1), (1, 1), (-1, 1))


@dataclass(frozen=True, slots=True)
class Box(Solid):
    """Middle of the base at `at`, `size` across, deep and high, turned clockwise from above."""

    kind: Literal["box"]
    id: str
    at: Vector
    size: Vector
    turn_deg: float = 0.0

    def __post_init__(self) -> None:
        need_positive(width=self.size[0], depth=self.size[1], height=self.size[2])

    def faces(self) -> list[Face]:
        """Six faces."""
        w, d, h = self.size
        ring = [(x * w / 2, y * d / 2) for x, y in CORNERS]
        corners = np.array([(x, y, z) for z in (0.0, h) for x, y in ring])
        there = turned_about_upright(corners, self.turn_deg) + np.array(self.at)
        return mesh(there, [list(each) for each in SIDES], [f"side {i}" for i in range(6)])
