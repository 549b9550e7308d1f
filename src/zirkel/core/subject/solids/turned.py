"""Turned: a solid of revolution about an upright axis, from its profile."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.subject.solids.base import Face, Solid, Vector, need_positive

CREASE = np.radians(24.0)
"""Bend of the profile from which a line is seen round the solid."""


@dataclass(frozen=True, slots=True)
class Turned(Solid):
    """`profile` of (radius, height) from the foot up, on the axis through `at`."""

    kind: Literal["turned"]
    id: str
    at: Vector
    profile: list[tuple[float, float]]
    sides: int = 32

    def __post_init__(self) -> None:
        if len(self.profile) < 2:
            raise ValueError("profile needs two rings at least, each a radius and a height")
        if min(radius for radius, _ in self.profile) < 0:
            raise ValueError("profile has a negative radius: give the distance from the axis")
        if not 3 <= self.sides <= 96:
            raise ValueError(f"sides is {self.sides}: choose 3 to 96")
        need_positive(height=self.profile[-1][1] - self.profile[0][1])

    def faces(self) -> list[Face]:
        """Bands of trapezia, and a cap at each end that is open."""
        angle = 2.0 * np.pi * (np.arange(self.sides) + 0.5) / self.sides
        circle = np.stack([np.cos(angle), np.sin(angle)], axis=1)
        rings = [self._ring(circle, radius, height) for radius, height in self.profile]
        made: list[Face] = []
        patch = 0
        for i in range(len(rings) - 1):
            patch += i > 0 and self._bend(i) > CREASE
            made.extend(_band(rings[i], rings[i + 1], f"band {patch}"))
        made.append(Face(rings[0][::-1], "foot"))
        made.append(Face(rings[-1], "top"))
        return [each for each in made if len(each.corners) > 2]

    def contour(self, ring: int, side: str, eye: Array) -> Array | None:
        """Where lines of sight just touch the ring, or its nearest or furthest point.

        From an eye at distance D from the axis, seen from above, they touch a circle of radius r
        where cos a = r / D, with a the angle at the axis between eye and touching point.
        """
        if not 0 <= ring < len(self.profile):
            return None
        radius, height = self.profile[ring]
        axis = np.array(self.at[:2])
        to_eye = np.asarray(eye)[:2] - axis
        distance = float(np.hypot(*to_eye))
        if side in ("front", "back") or distance <= radius:
            a = np.pi if side == "back" else 0.0
        else:
            a = np.arccos(radius / distance) * (1.0 if side == "right" else -1.0)
        c, s = np.cos(a), np.sin(a)
        way = np.array([c * to_eye[0] - s * to_eye[1], s * to_eye[0] + c * to_eye[1]])
        there = axis + way / max(distance, 1e-9) * radius
        return np.array([there[0], there[1], self.at[2] + height])

    def _ring(self, circle: Array, radius: float, height: float) -> Array:
        flat = circle * radius + np.array(self.at[:2])
        return np.column_stack([flat, np.full(len(flat), self.at[2] + height)])

    def _bend(self, i: int) -> float:
        below, here, above = (np.array(self.profile[i + k]) for k in (-1, 0, 1))
        turn = np.arctan2(*(above - here)[::-1]) - np.arctan2(*(here - below)[::-1])
        return float(abs((turn + np.pi) % (2.0 * np.pi) - np.pi))


def _band(below: Array, above: Array, patch: str) -> list[Face]:
    made = []
    for i in range(len(below)):
        k = (i + 1) % len(below)
        corners = np.array([below[i], below[k], above[k], above[i]])
        keep = [j for j in range(4) if np.linalg.norm(corners[j] - corners[j - 1]) > 1e-9]
        if len(keep) > 2:
            made.append(Face(corners[keep], patch))
    return made
