"""A scene as it would be seen: its light on the picture's pixels.

Each pixel is looked at once. The lamp is looked for from every other pixel of every other row, and
from all those between that differ; what comes from all round from every third, smoothed among
neighbours of one surface. Along edges of things each pixel is looked at four times more. The same
scene, station and width give the same picture.
"""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from zirkel.core.arrays import Flags
from zirkel.core.subject.picture import box_of
from zirkel.core.subject.scene import Scene, view_of
from zirkel.core.subject.station import Station, View
from zirkel.core.tones.grey import encoded
from zirkel.rendering.lighting import Places, from_about, from_lamp, lamp_seen, places_met
from zirkel.rendering.mesh import Floats, Mesh, Whole, mesh_of, single
from zirkel.rendering.rays import Rays

WIDE = 900
"""Pixels along the longer side."""

MOST = 420_000
"""Pixels at most."""

LAMP, ABOUT = 2, 3
"""From every how manyth pixel of every how manyth row these are looked for."""

WITHIN_PIXEL = ((-0.375, -0.125), (0.125, -0.375), (0.375, 0.125), (-0.125, 0.375))
"""Where a pixel on an edge is looked at, from its middle, in pixels."""

NOWHERE = 1e7
"""Where the sky is, in mm."""

BEND = 0.85
"""Cosine of normals below which there is an edge between neighbours."""

REACH = 2
"""How many neighbours each way the light from all round is smoothed over."""

SKY_SEEN = 0.82
"""Luminance of the sky that is seen behind a scene outdoors."""


@dataclass(frozen=True, slots=True)
class Rendered:
    """Codes (h, w, 3) of the pixels as sRGB has them; the number (h, w) in `owners` of what each
    shows, -1 for the sky; per cent (h, w) of the lamp that is seen from there, 0 where a surface is
    turned away; `box` is the picture's, as tangents."""

    codes: NDArray[np.uint8]
    owner: NDArray[np.int16]
    lit: NDArray[np.uint8]
    owners: tuple[str, ...]
    box: tuple[float, float, float, float]


@dataclass(frozen=True, slots=True)
class _Camera:
    """Rays from the eye through places on the picture, counted in pixels."""

    view: View
    eye: Floats
    box: tuple[float, float, float, float]
    size: float

    def rays(self, x: Floats, y: Floats) -> tuple[Floats, Floats]:
        """Origins and unit directions (n, 3)."""
        left, top = self.box[:2]
        across, down = left + x / self.size, top + y / self.size
        way = self.view.ahead + across[:, None] * self.view.right
        way[:, 2] -= down
        way /= np.linalg.norm(way, axis=1)[:, None]
        return np.broadcast_to(single(self.eye), way.shape), single(way)


def rendered(scene: Scene, station: Station, wide: int = WIDE) -> Rendered:
    """The scene as seen from the station, its longer side at most so many pixels."""
    view = view_of(scene, station)
    mesh = mesh_of(scene, view)
    rays = Rays(mesh)
    box = box_of(scene, station)
    across, down = box[2] - box[0], box[3] - box[1]
    size = min(wide / max(across, down), float(np.sqrt(MOST / (across * down))))
    width, height = max(round(across * size), 2), max(round(down * size), 2)
    camera = _Camera(view, view.eye - mesh.middle, box, size)
    return _Picture(scene, mesh, rays, camera, width, height).made()


class _Picture:
    """The work on one picture."""

    def __init__(
        self, scene: Scene, mesh: Mesh, rays: Rays, camera: _Camera, width: int, height: int
    ) -> None:
        self.scene, self.mesh, self.rays, self.camera = scene, mesh, rays, camera
        self.width, self.height = width, height
        self.about = np.zeros((height, width, 3), np.float32)
        self.normal = np.zeros((height, width, 3), np.float32)
        self.at = np.full((height, width, 3), NOWHERE, np.float32)
        self.owner = np.full((height, width), -1, dtype=np.int16)

    def made(self) -> Rendered:
        """All of it."""
        y, x = np.divmod(np.arange(self.width * self.height), self.width)
        seen, places = self._look(x + 0.5, y + 0.5, x, y)
        self.at.reshape(-1, 3)[seen] = places.at
        self.normal.reshape(-1, 3)[seen] = places.normal
        self.owner.reshape(-1)[seen] = places.owner
        self._gather(seen, places)
        light, lit = np.full((len(x), 3), SKY_SEEN, np.float32), np.zeros(len(x), np.float32)
        share = self._lamp(seen, places)
        lamp = from_lamp(self.scene, places, share)
        light[seen] = places.colour * (lamp[:, None] + self.about.reshape(-1, 3)[seen])
        lit[seen] = share * (lamp > 0.0)
        picture = light.reshape(self.height, self.width, 3)
        self._edges(picture)
        codes = np.rint(255.0 * encoded(np.clip(picture, 0.0, 1.0))).astype(np.uint8)
        per_cent = np.rint(100.0 * lit).astype(np.uint8).reshape(self.height, self.width)
        return Rendered(codes, self.owner, per_cent, self.mesh.owners, self.camera.box)

    def _look(self, x: Floats, y: Floats, column: Whole, row: Whole) -> tuple[Whole, Places]:
        """Which of the rays through places in pixels meet something, and where."""
        origins, ways = self.camera.rays(x, y)
        met = self.rays.first(origins, ways)
        seen = np.flatnonzero(met.triangle >= 0)
        chance = _chance(column, row)
        found = type(met)(met.triangle[seen], met.away[seen], met.shares[seen])
        return seen, places_met(self.mesh, found, ways[seen], chance[seen], self.rays.free)

    def _lamp(self, seen: Whole, places: Places) -> Floats:
        """The share of the lamp that is seen from each place."""
        row, column = np.divmod(seen, self.width)
        some = (row % LAMP == 0) & (column % LAMP == 0)
        share = np.zeros(len(seen), np.float32)
        share[some] = lamp_seen(self.scene, self.rays, places.of(np.flatnonzero(some)))
        known = np.full((self.height, self.width), -1.0)
        known.reshape(-1)[seen[some]] = share[some]
        known = known[::LAMP, ::LAMP]
        owners = self.owner[::LAMP, ::LAMP]
        tall, wide = owners.shape
        like = np.ones(len(seen), dtype=bool)
        first = known[row // LAMP, column // LAMP]
        for down in (0, 1):
            for right in (0, 1):
                r = np.minimum((row + down * (LAMP - 1)) // LAMP, tall - 1)
                c = np.minimum((column + right * (LAMP - 1)) // LAMP, wide - 1)
                like &= (known[r, c] == first) & (owners[r, c] == places.owner)
        like &= (first == 0.0) | (first == 1.0)
        share[like] = first[like]
        rest = np.flatnonzero(~like & ~some)
        share[rest] = lamp_seen(self.scene, self.rays, places.of(rest))
        return share

    def _gather(self, seen: Whole, places: Places) -> None:
        """What comes from all round, on some pixels of some rows, then smoothed."""
        row, column = np.divmod(seen, self.width)
        some = np.flatnonzero((row % ABOUT == 0) & (column % ABOUT == 0))
        rough = np.zeros((self.height, self.width, 3), np.float32)
        rough.reshape(-1, 3)[seen[some]] = from_about(
            self.scene, self.mesh, self.rays, places.of(some)
        )
        part = (slice(None, None, ABOUT), slice(None, None, ABOUT))
        smooth = _smoothed(
            rough[part], self.normal[part], self.at[part], self.owner[part], self.mesh.size
        )
        self._part = smooth, self.normal[part], self.at[part], self.owner[part]
        self.about = self._taken(
            np.arange(self.width * self.height), self.normal.reshape(-1, 3),
            self.at.reshape(-1, 3), self.owner.reshape(-1),
        ).reshape(self.height, self.width, 3)  # fmt: skip

    def _taken(self, pixel: Whole, normal: Floats, at: Floats, owner: Whole) -> Floats:
        """For places in pixels what comes from all round, from those of the four neighbours among
        `_part` that are most like them."""
        smooth, normals, ats, owners = self._part
        row, column = np.divmod(pixel, self.width)
        total, weight = np.zeros((len(pixel), 3), np.float32), np.zeros(len(pixel), np.float32)
        tall, wide = owners.shape
        size = self.mesh.size
        down_share = single(row % ABOUT / ABOUT)
        right_share = single(column % ABOUT / ABOUT)
        for down in (0, 1):
            for right in (0, 1):
                r = np.minimum(row // ABOUT + down, tall - 1)
                c = np.minimum(column // ABOUT + right, wide - 1)
                like = np.maximum(np.einsum("ni,ni->n", normals[r, c], normal), 0.0) ** 4
                off = np.abs(np.einsum("ni,ni->n", ats[r, c] - at, normal))
                like *= np.exp(-off * 60.0 / size)
                like *= down_share if down else 1.0 - down_share
                like *= right_share if right else 1.0 - right_share
                near = owners[r, c]
                w = np.where(near == owner, like + 1e-3, single(np.where(near < 0, 1e-9, 1e-6)))
                total += smooth[r, c] * w[:, None]
                weight += w
        return total / weight[:, None]

    def _edges(self, light: Floats) -> None:
        """Look again along edges, within the pixel."""
        rows, columns = np.nonzero(_edge(self.owner, self.normal))
        if len(rows) == 0:
            return
        total = light[rows, columns].copy()
        for x, y in WITHIN_PIXEL:
            seen, places = self._look(columns + 0.5 + x, rows + 0.5 + y, columns, rows)
            pixel = rows[seen] * self.width + columns[seen]
            about = self._taken(pixel, places.normal, places.at, places.owner)
            looked = np.full((len(rows), 3), SKY_SEEN, np.float32)
            lamp = from_lamp(self.scene, places, lamp_seen(self.scene, self.rays, places))
            looked[seen] = places.colour * (lamp[:, None] + about)
            total += looked
        light[rows, columns] = total / (1 + len(WITHIN_PIXEL))


def _chance(column: Whole, row: Whole) -> Floats:
    """A number from 0 to 1 for each pixel that differs between neighbours but doesn't clump: J.
    Jimenez's interleaved gradient noise (2014)."""
    made = (52.9829189 * ((0.06711056 * column + 0.00583715 * row) % 1.0)) % 1.0
    return single(made)


def _edge(owner: NDArray[np.int16], normal: Floats) -> Flags:
    """(h, w) pixels next to another thing, or to where a surface bends sharply."""
    made = np.zeros(owner.shape, dtype=bool)
    for axis in (0, 1):
        a: list[slice] = [slice(None), slice(None)]
        b = a.copy()
        a[axis], b[axis] = slice(None, -1), slice(1, None)
        here, there = (a[0], a[1]), (b[0], b[1])
        differs = owner[here] != owner[there]
        differs |= np.einsum("hwi,hwi->hw", normal[here], normal[there]) < BEND
        made[here] |= differs
        made[there] |= differs
    return made


def _smoothed(
    rough: Floats, normal: Floats, at: Floats, owner: NDArray[np.int16], size: float
) -> Floats:
    """The mean (h, w, 3) over neighbours of the same thing that lie in about the same plane."""
    total, weight = np.zeros_like(rough), np.zeros(owner.shape, np.float32)
    tall, wide = owner.shape
    for down in range(-REACH, REACH + 1):
        for right in range(-REACH, REACH + 1):
            own, other = _shifted(tall, wide, down, right)
            like = np.maximum(np.einsum("hwi,hwi->hw", normal[own], normal[other]), 0.0) ** 8
            off = np.einsum("hwi,hwi->hw", at[other] - at[own], normal[own])
            like *= np.exp(-np.abs(off) * 100.0 / size) * (owner[own] == owner[other])
            total[own] += rough[other] * like[..., None]
            weight[own] += like
    return np.where(weight[..., None] > 0, total / np.maximum(weight, 1e-12)[..., None], rough)


def _shifted(
    tall: int, wide: int, down: int, right: int
) -> tuple[tuple[slice, slice], tuple[slice, slice]]:
    """Two windows on an image, the second moved by that much."""

    def part(size: int, by: int) -> tuple[slice, slice]:
        return slice(max(-by, 0), size - max(by, 0)), slice(max(by, 0), size - max(-by, 0))

    (own_row, other_row), (own_column, other_column) = part(tall, down), part(wide, right)
    return (own_row, own_column), (other_row, other_column)
