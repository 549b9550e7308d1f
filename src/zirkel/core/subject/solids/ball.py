"""Ball: a sphere or an egg, with its own radius each way."""

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

ROUND, OVER = 18, 10
"""Facets round it and from pole to pole."""


@dataclass(frozen=True, slots=True)
class Ball(Solid):
    """Middle at `at`; `radii` across, deep and high."""

    kind: Literal["ball"]
    id: str
    at: Vector
    radii: Vector
    turn_deg: float = 0.0

    def __post_init__(self) -> None:
        need_positive(width=self.radii[0], depth=self.radii[1], height=self.radii[2])

    def faces(self) -> list[Face]:
        """Bands from pole to pole, all one smooth patch."""
        up = np.linspace(-np.pi / 2, np.pi / 2, OVER + 1)[1:-1]
        about = 2.0 * np.pi * np.arange(ROUND) / ROUND
        rings = np.array(
            [[(np.cos(u) * np.cos(a), np.cos(u) * np.sin(a), np.sin(u)) for a in about] for u in up]
        )
        points = np.concatenate([rings.reshape(-1, 3), [[0.0, 0.0, -1.0], [0.0, 0.0, 1.0]]])
        points = turned_about_upright(points * np.array(self.radii), self.turn_deg)
        south, north = len(points) - 2, len(points) - 1
        last = len(up) - 1
        faces: list[list[int]] = []
        for i in range(ROUND):
            k = (i + 1) % ROUND
            faces.append([south, k, i])
            faces.append([last * ROUND + i, last * ROUND + k, north])
            faces.extend(
                [j * ROUND + i, j * ROUND + k, (j + 1) * ROUND + k, (j + 1) * ROUND + i]
                for j in range(last)
            )
        return mesh(points + np.array(self.at), faces, ["round"] * len(faces))
