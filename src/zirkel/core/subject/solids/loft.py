"""Loft: a round body along a bending line that swells and tapers; a limb, a leaf, a boot, rope."""

from __future__ import annotations

from dataclasses import dataclass
from itertools import pairwise
from typing import Literal

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.subject.solids.base import Face, Solid, plane_pieces

MOST_SECTIONS = 80
Section = tuple[float, float, float, float, float]


@dataclass(frozen=True, slots=True)
class Loft(Solid):
    """`sections` of (x, y, z, half as wide, half as deep), joined smoothly; both ends are rounded
    unless they come to a point. Width lies level at the first section, and turns along the line as
    little as can be; depth lies across both. `between` rings are added between two sections."""

    kind: Literal["loft"]
    id: str
    sections: list[Section]
    sides: int = 14
    between: int = 2

    def __post_init__(self) -> None:
        if not 2 <= len(self.sections) <= MOST_SECTIONS:
            raise ValueError(
                f"sections has {len(self.sections)} sections: give 2 to {MOST_SECTIONS}"
            )
        if not 3 <= self.sides <= 96:
            raise ValueError(f"sides is {self.sides}: choose 3 to 96")
        if not 0 <= self.between <= 8:
            raise ValueError(f"between is {self.between}: choose 0 to 8")
        for number, each in enumerate(self.sections):
            if min(each[3:]) < 0:
                raise ValueError(f"sections.{number} has a negative size: give half its width")
        steps = np.diff(np.array(self.sections)[:, :3], axis=0)
        for number, step in enumerate(np.linalg.norm(steps, axis=1)):
            if step <= 0:
                raise ValueError(f"sections.{number + 1} lies where the one before lies")

    def faces(self) -> list[Face]:
        """Bands of triangles, all one smooth patch."""
        rings = self.rings()
        made: list[Face] = []
        for low, high in pairwise(rings):
            for i in range(self.sides):
                k = (i + 1) % self.sides
                corners = np.array([low[i], low[k], high[k], high[i]])
                keep = [j for j in range(4) if np.linalg.norm(corners[j] - corners[j - 1]) > 1e-6]
                if len(keep) > 2:
                    made.extend(plane_pieces(Face(corners[keep], "round")))
        return made

    def rings(self) -> list[Array]:
        """Rings (sides, 3) from one end to the other, the ends' own points among them."""
        line = _smooth(np.array(self.sections, dtype=float), self.between)
        line = _rounded(line)
        across, deep = _frames(line[:, :3])
        angle = 2.0 * np.pi * np.arange(self.sides) / self.sides
        c, s = np.cos(angle)[:, None], np.sin(angle)[:, None]
        return [
            at[:3] + c * at[3] * right + s * at[4] * up
            for at, right, up in zip(line, across, deep, strict=True)
        ]

    def contour(self, ring: int, side: str, eye: Array) -> Array | None:
        """The furthest to that side of a section's own ring, as seen from the eye on the level; or
        its nearest or furthest point."""
        if not 0 <= ring < len(self.sections):
            return None
        at = np.array(self.sections[ring][:3])
        rings = self.rings()
        near = min(rings, key=lambda each: float(np.linalg.norm(each.mean(axis=0) - at)))
        ahead = near.mean(axis=0)[:2] - np.asarray(eye)[:2]
        ahead /= max(float(np.hypot(*ahead)), 1e-9)
        way = {
            "right": np.array([ahead[1], -ahead[0]]),
            "left": np.array([-ahead[1], ahead[0]]),
            "back": ahead,
            "front": -ahead,
        }[side]
        return np.asarray(near[int(np.argmax(near[:, :2] @ way))])


def _smooth(sections: Array, between: int) -> Array:
    """Rows through all sections with others between: centripetal Catmull-Rom (C. Yuksel and others
    2011), its ends carried on straight."""
    ends = 2.0 * sections[0] - sections[1], 2.0 * sections[-1] - sections[-2]
    points = np.vstack([ends[0], sections, ends[1]])
    made = []
    for i in range(1, len(points) - 2):
        p = points[i - 1 : i + 3]
        gaps = np.sqrt(np.maximum(np.linalg.norm(np.diff(p[:, :3], axis=0), axis=1), 1e-9))
        t = np.concatenate([[0.0], np.cumsum(gaps)])
        for share in np.arange(between + 1) / (between + 1):
            made.append(_at(p, t, t[1] + share * (t[2] - t[1])))
    line = np.vstack([*made, sections[-1]])
    line[:, 3:] = np.maximum(line[:, 3:], 0.0)
    return line


def _at(p: Array, t: Array, when: float) -> Array:
    """Barry and Goldman's pyramid for four points and their times."""
    rows = [p[i] for i in range(4)]
    for level in (1, 2, 3):
        for i in range(4 - level):
            a, b = (t[1], t[2]) if level == 3 else (t[i], t[i + level])
            share = (when - a) / (b - a)
            rows[i] = (1.0 - share) * rows[i] + share * rows[i + 1]
    return np.asarray(rows[0])


def _rounded(line: Array) -> Array:
    """With two rings and a point more at each end that has a width."""
    first, last = _cap(line[0], line[1]), _cap(line[-1], line[-2])
    return np.vstack([first[::-1], line, last])


def _cap(end: Array, inner: Array) -> Array:
    size = min(end[3], end[4])
    if size <= 0:
        return np.zeros((0, 5))
    out = (end - inner)[:3] / np.linalg.norm((end - inner)[:3])
    made = []
    for angle in np.radians([35.0, 65.0, 90.0]):
        at = end[:3] + out * size * np.sin(angle)
        made.append([*at, *(end[3:] * np.cos(angle) * (angle < 1.5))])
    return np.array(made)


def _frames(line: Array) -> tuple[Array, Array]:
    """Unit vectors across the line and across both: from ring to ring the last one, made square to
    the line again, so that it turns about the line as little as can be."""
    ahead = np.gradient(line, axis=0)
    ahead /= np.maximum(np.linalg.norm(ahead, axis=1), 1e-12)[:, None]
    first = np.cross(ahead[0], [0.0, 0.0, 1.0])
    if np.linalg.norm(first) < 0.3:
        first = np.array([1.0, 0.0, 0.0])
    across = [_square_to(first, ahead[0])]
    for way in ahead[1:]:
        across.append(_square_to(across[-1], way))
    right = np.array(across)
    return right, np.cross(ahead, right)


def _square_to(vector: Array, way: Array) -> Array:
    made = vector - (vector @ way) * way
    return np.asarray(made / max(float(np.linalg.norm(made)), 1e-12))
