"""Cone: round, between two points, with a radius at each; a limb, a spout, a pole, a point."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

import numpy as np

from zirkel.core.subject.solids.base import Face, Solid, Vector, need_positive


@dataclass(frozen=True, slots=True)
class Cone(Solid):
    """From `start` to `end`, both (x, y, z); a radius of 0 makes a point."""

    kind: Literal["cone"]
    id: str
    start: Vector
    end: Vector
    radius_start: float
    radius_end: float
    sides: int = 14

    def __post_init__(self) -> None:
        need_positive(
            length=float(np.linalg.norm(np.subtract(self.end, self.start))),
            radius=max(self.radius_start, self.radius_end),
        )
        if min(self.radius_start, self.radius_end) < 0:
            raise ValueError("a radius is negative: give the distance from the axis")
        if not 3 <= self.sides <= 96:
            raise ValueError(f"sides is {self.sides}: choose 3 to 96")

    def faces(self) -> list[Face]:
        """A band of trapezia or triangles, and the caps."""
        a, b = np.array(self.start), np.array(self.end)
        axis = (b - a) / np.linalg.norm(b - a)
        helper = np.array([1.0, 0.0, 0.0]) if abs(axis[0]) < 0.8 else np.array([0.0, 1.0, 0.0])
        across = np.cross(axis, helper)
        across /= np.linalg.norm(across)
        other = np.cross(axis, across)
        angle = 2.0 * np.pi * np.arange(self.sides) / self.sides
        circle = np.cos(angle)[:, None] * across + np.sin(angle)[:, None] * other
        low, high = a + circle * self.radius_start, b + circle * self.radius_end
        made = []
        for i in range(self.sides):
            k = (i + 1) % self.sides
            corners = [low[i], low[k], high[k], high[i]]
            if self.radius_end == 0:
                corners = corners[:3]
            elif self.radius_start == 0:
                corners = [corners[0], *corners[2:]]
            made.append(Face(np.array(corners), "round"))
        if self.radius_start > 0:
            made.append(Face(low[::-1], "start"))
        if self.radius_end > 0:
            made.append(Face(high, "end"))
        return made
