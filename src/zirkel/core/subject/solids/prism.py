"""Prism: an outline with a depth; a gable, a roof, a board, a motif cut from card."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

import numpy as np
from shapely import Polygon, constrained_delaunay_triangles, get_parts
from shapely.geometry.polygon import orient

from zirkel.core.arrays import Array
from zirkel.core.subject.solids.base import (
    Face,
    Solid,
    Vector,
    need_positive,
    turned_about_upright,
)


@dataclass(frozen=True, slots=True)
class Prism(Solid):
    """`outline` of (across, up) as seen from the front, `depth` going away from it."""

    kind: Literal["prism"]
    id: str
    at: Vector
    outline: list[tuple[float, float]]
    depth: float
    turn_deg: float = 0.0

    def __post_init__(self) -> None:
        need_positive(depth=self.depth)
        if len(self.outline) < 3:
            raise ValueError("outline needs three corners at least")
        if not Polygon(self.outline).is_valid or Polygon(self.outline).area <= 0:
            raise ValueError("outline crosses itself or has no area: list its corners in order")

    def faces(self) -> list[Face]:
        """Front, back and one face for each side of the outline."""
        flat = np.array(self.outline, dtype=float)
        if not Polygon(self.outline).exterior.is_ccw:
            flat = flat[::-1]
        made = []
        for piece in _convex(flat):
            made.append(self._face(piece, np.zeros(len(piece)), "front"))
            made.append(self._face(piece[::-1], np.full(len(piece), self.depth), "back"))
        for i in range(len(flat)):
            a, b = flat[i], flat[(i + 1) % len(flat)]
            corners = np.array([b, a, a, b])
            made.append(self._face(corners, np.array([0.0, 0.0, 1.0, 1.0]) * self.depth, f"s{i}"))
        return made

    def _face(self, flat: Array, away: Array, patch: str) -> Face:
        corners = np.column_stack([flat[:, 0], away, flat[:, 1]])
        return Face(turned_about_upright(corners, self.turn_deg) + np.array(self.at), patch)


def _convex(flat: Array) -> list[Array]:
    """The outline itself where it is convex, else triangles, each counter-clockwise."""
    outline = Polygon(flat)
    if outline.convex_hull.area - outline.area < 1e-9 * outline.area:
        return [flat]
    pieces = [
        p for p in get_parts(constrained_delaunay_triangles(outline)) if isinstance(p, Polygon)
    ]
    return [np.array(orient(each, 1.0).exterior.coords)[:-1] for each in pieces]
