"""Rays among a scene's triangles: what each meets first, and whether anything is in its way.

Embree's tree of boxes finds it (I. Wald and others (2014), Embree: a kernel framework for efficient
CPU ray tracing), in single precision: places are counted from the middle of the scene.
"""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from embreex.mesh_construction import TriangleMesh
from embreex.rtcore_scene import EmbreeScene
from numpy.typing import NDArray

from zirkel.core.arrays import Flags
from zirkel.core.patience import step
from zirkel.rendering.mesh import Floats, Mesh, single

AT_ONCE = 60_000
"""Rays to a call: others get their turn in between."""

FREE = 2e-5
"""How far off a surface a ray starts, in sizes of the scene."""


@dataclass(frozen=True, slots=True)
class Met:
    """What rays met: the triangle's number (n,), -1 where none; how far away (n,); and where on it
    (n, 2), as its second and third corners' shares."""

    triangle: NDArray[np.int32]
    away: Floats
    shares: Floats


class Rays:
    """Answers for one mesh; made anew for each, in about a millisecond for a thousand triangles."""

    def __init__(self, mesh: Mesh) -> None:
        self._scene = EmbreeScene()
        self._mesh = TriangleMesh(self._scene, mesh.corners)
        self.free = FREE * mesh.size

    def first(self, origins: Floats, directions: Floats) -> Met:
        """What rays from (n, 3) in unit directions (n, 3) meet first."""
        triangle = np.full(len(origins), -1, dtype=np.int32)
        away, shares = np.zeros(len(origins), np.float32), np.zeros((len(origins), 2), np.float32)
        for part in _parts(len(origins)):
            step("looking at the light")
            found = self._scene.run(single(origins[part]), single(directions[part]), output=True)
            triangle[part], away[part] = found["primID"], found["tfar"]
            shares[part] = np.column_stack([found["u"], found["v"]])
        return Met(triangle, away, shares)

    def blocked(self, origins: Floats, directions: Floats) -> Flags:
        """(n,) whether anything is in the way of rays that leave surfaces."""
        made = np.zeros(len(origins), dtype=bool)
        for part in _parts(len(origins)):
            step("looking at the light")
            found = self._scene.run(
                single(origins[part]), single(directions[part]), query="OCCLUDED"
            )
            made[part] = found >= 0
        return made


def _parts(count: int) -> list[slice]:
    return [slice(i, i + AT_ONCE) for i in range(0, count, AT_ONCE)]
