"""How much light falls where: from the lamp, softly shadowed; from the sky; thrown back by things.

Light is counted so that a surface that faces the lamp with all the sky above it has one of it. A
matt surface of reflectance r in light E then has the luminance r E, whichever way it is seen from
(Lambert's law). One throw is followed: what a thing that light is thrown back from has itself got
from other things is left out, but for a share of the sky.
"""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from zirkel.core.subject.scene import Scene
from zirkel.rendering.mesh import Floats, Mesh, Whole, single
from zirkel.rendering.rays import Met, Rays

RIM = 6
"""Rays to the lamp's rim that tell of a place in the half shadow; one more goes to its middle."""

WITHIN = 32
"""Rays to the lamp from places in the half shadow."""

ABOUT = 16
"""Rays to all round from each place."""

GOLDEN = np.pi * (3.0 - np.sqrt(5.0))


@dataclass(frozen=True, slots=True)
class Places:
    """Places (n, 3) with the normals that they are shaded by and those of their faces, the linear
    colour and owner there, and a number (n,) from 0 to 1 that differs between neighbours."""

    at: Floats
    normal: Floats
    flat: Floats
    colour: Floats
    owner: Whole
    chance: Floats

    def of(self, which: Whole) -> Places:
        """Some of them."""
        return Places(
            self.at[which], self.normal[which], self.flat[which], self.colour[which],
            self.owner[which], self.chance[which],
        )  # fmt: skip


def places_met(mesh: Mesh, met: Met, directions: Floats, chance: Floats, free: float) -> Places:
    """Where rays met the mesh, a hair off its surface, normals towards where the rays came from.

    A face that stands for part of a round surface lies below it: places are moved to where the
    round one is, lest faces throw shadows on each other (J. Hanika (2021), Hacking the shadow
    terminator).
    """
    number = met.triangle
    corners, normals = mesh.corners[number], mesh.normals[number]
    shares = np.column_stack([1.0 - met.shares.sum(axis=1), met.shares])
    at = np.einsum("nc,nci->ni", shares, corners)
    normal = np.einsum("nc,nci->ni", shares, normals)
    normal /= np.maximum(np.linalg.norm(normal, axis=1), 1e-12)[:, None]
    above = np.minimum(np.einsum("nci,nci->nc", at[:, None, :] - corners, normals), 0.0)
    moved = at - np.einsum("nc,nci->ni", shares * above, normals)
    flat = mesh.flat[number]
    turned = np.where(
        np.einsum("ni,ni->n", flat, directions) > 0.0, np.float32(-1.0), np.float32(1.0)
    )[:, None]
    flat, normal = flat * turned, normal * turned
    moved = np.where(turned > 0, moved, at)
    return Places(
        moved + flat * free, normal, flat, mesh.colour[number], mesh.owner[number], chance
    )


def lamp_seen(scene: Scene, rays: Rays, places: Places) -> Floats:
    """The share (n,) of the lamp that is seen; nothing where a surface is turned away."""
    lamp = lamp_of(scene)
    seen = np.zeros(len(places.at), np.float32)
    soft = float(np.sin(np.radians(scene.soft_deg)))
    facing = np.flatnonzero(places.normal @ lamp > -soft)
    if len(facing) == 0:
        return seen
    first = _seen_share(rays, places.of(facing), _in_lamp(scene, lamp, _rim()))
    seen[facing] = first
    partly = facing[(first > 0.0) & (first < 1.0)]
    if len(partly):
        seen[partly] = _seen_share(rays, places.of(partly), _in_lamp(scene, lamp, _disc(WITHIN)))
    return seen


def from_lamp(scene: Scene, places: Places, seen: Floats) -> Floats:
    """Light (n,) that comes from a lamp of which that share is seen.

    It is the mean over the lamp of the cosine to it, nothing from what is below the surface:
    between plus and minus the lamp's half angle a curve that joins nought and the straight line
    smoothly.
    """
    lamp = lamp_of(scene)
    cosine, soft = places.normal @ lamp, float(np.sin(np.radians(scene.soft_deg)))
    near = (np.clip(cosine, -soft, soft) + soft) ** 2 / max(4.0 * soft, 1e-9)
    light: Floats = (1.0 - scene.sky) * seen * np.where(cosine > soft, cosine, near)
    return light


def lamp_of(scene: Scene) -> Floats:
    """Unit vector (3,) towards the lamp."""
    return single(np.array(scene.light) / np.linalg.norm(scene.light))


def _rim() -> Floats:
    angle = 2.0 * np.pi * np.arange(RIM) / RIM
    rim = np.column_stack([np.cos(angle), np.sin(angle)]) * 0.95
    return single(np.vstack([[0.0, 0.0], rim]))


def _disc(count: int) -> Floats:
    """Points (count, 2) spread evenly over a disc: Vogel's spiral."""
    i = np.arange(count)
    radius, angle = np.sqrt((i + 0.5) / count), i * GOLDEN
    return single(np.column_stack([radius * np.cos(angle), radius * np.sin(angle)]))


def _in_lamp(scene: Scene, lamp: Floats, spots: Floats) -> Floats:
    """Directions (k, 3) to spots on the lamp."""
    right, up = _across(lamp[None])
    soft = np.float32(np.tan(np.radians(scene.soft_deg)))
    return np.stack([lamp + soft * (x * right[0] + y * up[0]) for x, y in spots])


def _seen_share(rays: Rays, places: Places, towards: Floats) -> Floats:
    """The share (n,) of directions that nothing is in the way of; the pattern is turned about the
    lamp's middle by each place's own chance."""
    middle = towards.mean(axis=0)
    middle /= np.linalg.norm(middle)
    free = np.zeros(len(places.at), np.float32)
    c = np.cos(2.0 * np.pi * places.chance)[:, None]
    s = np.sin(2.0 * np.pi * places.chance)[:, None]
    for each in towards:
        off = each - middle
        way = middle + c * off + s * np.cross(middle, off)
        way /= np.linalg.norm(way, axis=1)[:, None]
        free += ~rays.blocked(places.at, way)
    return free / len(towards)


def from_about(scene: Scene, mesh: Mesh, rays: Rays, places: Places) -> Floats:
    """Light (n, 3) from the sky and thrown back by things: the mean of what is seen in directions
    that are as dense as the cosine to the normal (Malley's method)."""
    lamp = lamp_of(scene)
    total = np.zeros((len(places.at), 3), np.float32)
    right, up = _across(places.normal)
    angle = 2.0 * np.pi * places.chance
    for x, y in _disc(ABOUT):
        c, s = np.cos(angle), np.sin(angle)
        a, b = (c * x - s * y)[:, None], (s * x + c * y)[:, None]
        out = np.sqrt(np.maximum(1.0 - a**2 - b**2, 0.0))
        way = a * right + b * up + out * places.normal
        met = rays.first(places.at, way)
        none = met.triangle < 0
        total[none] += scene.sky * (way[none, 2] > 0.0)[:, None]
        hit = np.flatnonzero(~none)
        if len(hit):
            there = places_met(mesh, _of(met, hit), way[hit], places.chance[hit], rays.free)
            facing = np.maximum(there.normal @ lamp, 0.0)
            lit = np.zeros(len(hit), np.float32)
            towards = np.flatnonzero(facing > 0.0)
            lit[towards] = ~rays.blocked(
                there.at[towards], np.broadcast_to(lamp, (len(towards), 3))
            )
            got = (1.0 - scene.sky) * lit * facing + scene.sky * (1.0 + there.normal[:, 2]) / 2.0
            total[hit] += there.colour * got[:, None]
    return total / ABOUT


def _of(met: Met, which: Whole) -> Met:
    return Met(met.triangle[which], met.away[which], met.shares[which])


def _across(normal: Floats) -> tuple[Floats, Floats]:
    """Two unit vectors (n, 3) each across unit normals (n, 3) and each other (T. Duff and others
    (2017), Building an orthonormal basis, revisited)."""
    x, y, z = normal.T
    sign = np.where(z >= 0.0, np.float32(1.0), np.float32(-1.0))
    a = -1.0 / (sign + z)
    b = x * y * a
    right = np.column_stack([1.0 + sign * x**2 * a, sign * b, -sign * x])
    up = np.column_stack([b, sign + y**2 * a, -y])
    return right, up
