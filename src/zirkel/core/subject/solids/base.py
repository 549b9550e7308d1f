"""What every solid of a scene is: an id, plane faces seen from outside, and points on its contour.

World coordinates are millimetres: x to the right and y away, as seen from straight in front of the
scene, z up; z = 0 is the ground or the table.
"""

from __future__ import annotations

import math
from abc import ABC, abstractmethod
from dataclasses import dataclass

import numpy as np

from zirkel.core.arrays import Array

Vector = tuple[float, float, float]


@dataclass(frozen=True, slots=True)
class Face:
    """A plane convex face: corners (n, 3) counter-clockwise from outside.

    Between faces of one `patch` no line is drawn: they belong to one round or flat surface.
    """

    corners: Array
    patch: str

    def normal(self) -> Array:
        """Unit vector (3,) outwards; zero for a face without area. Newell's method."""
        x, y, z = self.corners.T
        x2, y2, z2 = self.corners[np.arange(1, len(x) + 1) % len(x)].T
        made = np.array(
            [(y - y2) @ (z + z2), (z - z2) @ (x + x2), (x - x2) @ (y + y2)], dtype=float
        )
        length = math.sqrt(made @ made)
        return made / length if length > 0 else made


class Solid(ABC):
    """A simple solid. Subclasses are frozen dataclasses with a literal `kind` and an `id`."""

    kind: str
    id: str

    @abstractmethod
    def faces(self) -> list[Face]:
        """All faces, in world coordinates."""

    def contour(self, ring: int, side: str, eye: Array) -> Array | None:
        """Where the outline of a ring is seen from the eye (3,); None where there is no ring."""
        return None


def need_positive(**values: float) -> None:
    """ValueError that names the first of the values that isn't above zero."""
    for name, value in values.items():
        if not value > 0:
            raise ValueError(f"{name} is {value:g}: it must be more than 0 mm")


def turned_about_upright(points: Array, degrees: float) -> Array:
    """Points (n, 3) turned about the z axis, clockwise as seen from above."""
    c, s = np.cos(np.radians(degrees)), np.sin(np.radians(degrees))
    return points @ np.array([[c, -s, 0.0], [s, c, 0.0], [0.0, 0.0, 1.0]])


def mesh(vertices: Array, faces: list[list[int]], patches: list[str]) -> list[Face]:
    """Faces from vertices (n, 3) and their numbers, all plane by construction."""
    return [Face(vertices[numbers], patch) for numbers, patch in zip(faces, patches, strict=True)]


def plane_pieces(face: Face) -> list[Face]:
    """The face itself where it is plane, else triangles of the same patch."""
    corners = face.corners
    middle = corners.mean(axis=0)
    if len(corners) == 3 or float(np.abs((corners - middle) @ face.normal()).max()) < 1e-6:
        return [face]
    return [Face(corners[[0, i, i + 1]], face.patch) for i in range(1, len(corners) - 1)]
