"""Facets: a solid of planes of one's own shaping, such as a head blocked in planes."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.subject.solids.base import (
    Face,
    Solid,
    Vector,
    mesh,
    plane_pieces,
    turned_about_upright,
)

MOST_FACES = 400


@dataclass(frozen=True, slots=True)
class Facets(Solid):
    """Corners about `at`, and planes as lists of corner numbers, counter-clockwise from outside.

    With `mirrored`, every plane stands again on the other side of x = 0.
    """

    kind: Literal["facets"]
    id: str
    at: Vector
    corners: list[Vector]
    planes: list[list[int]]
    mirrored: bool = False
    turn_deg: float = 0.0

    def __post_init__(self) -> None:
        if not 1 <= len(self.planes) <= MOST_FACES:
            raise ValueError(f"planes has {len(self.planes)} planes: give 1 to {MOST_FACES}")
        for number, plane in enumerate(self.planes):
            if len(plane) < 3:
                raise ValueError(f"planes.{number} needs three corners at least")
            missing = [i for i in plane if not 0 <= i < len(self.corners)]
            if missing:
                raise ValueError(f"planes.{number} names corner {missing[0]}, which isn't there")

    def faces(self) -> list[Face]:
        """Every plane, and its mirror image."""
        points = np.array(self.corners, dtype=float)
        made = self._placed(points, self.planes, "p")
        if self.mirrored:
            turned = [plane[::-1] for plane in self.planes]
            made += self._placed(points * np.array([-1.0, 1.0, 1.0]), turned, "m")
        return made

    def _placed(self, points: Array, planes: list[list[int]], side: str) -> list[Face]:
        there = turned_about_upright(points, self.turn_deg) + np.array(self.at)
        made = mesh(there, planes, [f"{side}{i}" for i in range(len(planes))])
        return [piece for face in made for piece in plane_pieces(face)]
