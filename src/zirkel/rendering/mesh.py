"""A scene as triangles for rays: corners, normals that are smooth within a patch, own colours."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any

import numpy as np
from numpy.typing import NDArray

from zirkel.core.arrays import Array
from zirkel.core.subject.scene import Scene
from zirkel.core.subject.solids import Face
from zirkel.core.subject.station import View
from zirkel.core.tones.grey import linear_light

Floats = NDArray[np.floating[Any]]
Whole = NDArray[np.integer[Any]]

GROUND, BEHIND = "(ground)", "(behind)"
"""No solid can be called so."""

FAR = 60.0
"""How far the ground reaches, in sizes of the scene."""

WALL = 0.75
"""How far behind the scene's middle a wall stands, in sizes of the scene."""

CREASE = np.cos(np.radians(50.0))
"""A corner's normal is the face's own where the patch bends by more than this."""

MERGED_MM = 1e-3


@dataclass(frozen=True, slots=True)
class Mesh:
    """Triangles: corners (t, 3, 3) from `middle` (3,), normals at them (t, 3, 3), the faces' own
    (t, 3), linear colours (t, 3) and the number (t,) in `owners` of what they belong to."""

    corners: Floats
    normals: Floats
    flat: Floats
    colour: Floats
    owner: NDArray[np.int32]
    owners: tuple[str, ...]
    middle: Array
    size: float


def mesh_of(scene: Scene, view: View) -> Mesh:
    """The scene's faces, with the ground and the wall behind as they are from there."""
    owners = (*(each.id for each in scene.solids), GROUND, BEHIND)
    number = {name: i for i, name in enumerate(owners)}
    corners: list[Array] = []
    patches: list[tuple[int, str]] = []
    colours: list[Array] = []
    own = {each.id: linear_light(scene.colour_of(each.id)) for each in scene.solids}
    for solid, face in scene.faces:
        for triangle in _fan(face.corners):
            corners.append(triangle)
            patches.append((number[solid], face.patch))
            colours.append(own[solid])
    size = float(np.linalg.norm(scene.extent.size))
    for name, face in _about(scene, view, size):
        for triangle in _fan(face.corners):
            corners.append(triangle)
            patches.append((number[name], face.patch))
            colours.append(linear_light(scene.ground if name == GROUND else scene.behind))
    there = np.array(corners)
    flat, area = _normals(there)
    owner = np.array([solid for solid, _ in patches], dtype=np.int32)
    smooth = _smooth(there, flat, area, patches)
    return Mesh(
        single(there - scene.extent.middle), single(smooth), single(flat), single(colours),
        owner, owners, scene.extent.middle, size,
    )  # fmt: skip


def single(values: object) -> NDArray[np.float32]:
    """In single precision, as rays are: it halves the time of a picture."""
    return np.ascontiguousarray(values, dtype=np.float32)


def _fan(corners: Array) -> list[Array]:
    return [corners[[0, i, i + 1]] for i in range(1, len(corners) - 1)]


def _about(scene: Scene, view: View, size: float) -> list[tuple[str, Face]]:
    """The ground a scene stands on, and the wall: behind it from wherever one stands, the wall it
    hangs on where it hangs; outdoors there is none."""
    low, high, middle = scene.extent.low, scene.extent.high, scene.extent.middle
    made = []
    if scene.ground_level is not None:
        reach = FAR * size
        across = np.array([[-1, -1], [1, -1], [1, 1], [-1, 1]]) * reach + middle[:2]
        made.append(
            (GROUND, Face(np.column_stack([across, np.full(4, scene.ground_level)]), GROUND))
        )
    if scene.outdoors:
        return made
    if scene.stands:
        at, right, away = middle + view.ahead * WALL * size, view.right, -view.ahead
        foot = 0.0
    else:
        at = np.array([middle[0], high[1] + 0.004 * size, middle[2]])
        right, away = np.array([1.0, 0.0, 0.0]), np.array([0.0, -1.0, 0.0])
        foot = float(low[2]) - FAR * size
    side, top = right * FAR * size, np.array([0.0, 0.0, FAR * size])
    foot_at = np.array([at[0], at[1], foot])
    wall = np.array([foot_at - side, foot_at + side, at + side + top, at - side + top])
    face = Face(wall, BEHIND)
    if face.normal() @ away < 0:
        face = Face(wall[::-1], BEHIND)
    made.append((BEHIND, face))
    return made


def _normals(corners: Array) -> tuple[Array, Array]:
    """Unit normals (t, 3) and areas (t,) of triangles."""
    made = np.cross(corners[:, 1] - corners[:, 0], corners[:, 2] - corners[:, 0])
    length = np.linalg.norm(made, axis=1)
    return made / np.maximum(length, 1e-12)[:, None], length / 2.0


def _smooth(corners: Array, flat: Array, area: Array, patches: Sequence[tuple[int, str]]) -> Array:
    """Normals at corners (t, 3, 3): of faces of one patch that meet there the mean, by their area
    and the angle they have there."""
    numbers = {patch: i for i, patch in enumerate(dict.fromkeys(patches))}
    patch = np.array([numbers[each] for each in patches], dtype=np.int64)
    where = np.round(corners.reshape(-1, 3) / MERGED_MM).astype(np.int64)
    keys = np.column_stack([np.repeat(patch, 3), where])
    _, corner = np.unique(keys, axis=0, return_inverse=True)
    corner = corner.reshape(-1)
    weight = (_angles(corners) * area[:, None]).reshape(-1, 1)
    total = np.zeros((int(corner.max()) + 1, 3))
    np.add.at(total, corner, np.repeat(flat, 3, axis=0) * weight)
    total /= np.maximum(np.linalg.norm(total, axis=1), 1e-12)[:, None]
    made = total[corner].reshape(-1, 3, 3)
    bent = np.einsum("tci,ti->tc", made, flat) < CREASE
    return np.where(bent[:, :, None], flat[:, None, :], made)


def _angles(corners: Array) -> Array:
    """The angle (t, 3) that a triangle has at each corner, in radians."""
    ahead = np.roll(corners, -1, axis=1) - corners
    back = np.roll(corners, 1, axis=1) - corners
    length = np.linalg.norm(ahead, axis=2) * np.linalg.norm(back, axis=2)
    cosine = np.einsum("tci,tci->tc", ahead, back) / np.maximum(length, 1e-12)
    angle: Array = np.arccos(np.clip(cosine, -1.0, 1.0))
    return angle
