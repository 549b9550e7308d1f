"""Cast shadows: where the light is, and where every other shadow's tip must fall.

Rays from one light meet, seen, in one point L: the light itself, or for the sun the point to which
its rays run. Their tracks on level ground, from each thing's foot to its shadow's tip, meet in one
point G straight under (or over) L: on the eye level for the sun, at the lamp's foot for a lamp. So
the tip of any upright thing lies where the line from its top through L crosses the line from its
foot through G. In the network both are families of edges (see `network.families`), so that a tip
nobody has sighted is held by the others, and one that contradicts them is a doubt.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.network.families import Perspective, SeenFamily
from zirkel.errors import BadInput

FLAT = 1e-9


def cast(top: Sequence[float], light: Sequence[float], ground: float = 0.0) -> Array:
    """(3,) where the shadow of a point falls on level ground: `top` (3,) with z upwards, `light`
    (3,) the direction towards the sun. BadInput where the sun is not above the horizon, or the
    point below the ground."""
    to = np.asarray(light, dtype=float)
    at = np.asarray(top, dtype=float)
    if to[2] <= FLAT * float(np.linalg.norm(to)):
        raise BadInput("light", "the light stands no higher than the horizon: no shadow ends")
    if at[2] < ground:
        raise BadInput("top", "the point lies below the ground that its shadow falls on")
    made: Array = at - to * (at[2] - ground) / to[2]
    return made


def fall(
    top: Sequence[float], foot: Sequence[float], light: Sequence[float], ground: Sequence[float]
) -> tuple[float, float] | None:
    """Where a shadow's tip is seen: top and foot (2,) of the thing, L and G (3,) homogeneous. None
    where the two lines don't cross, or not on the side of the foot away from the light."""
    ray = np.cross([*top, 1.0], light)
    track = np.cross([*foot, 1.0], ground)
    tip = np.cross(ray, track)
    if abs(tip[2]) < FLAT * float(np.linalg.norm(tip)):
        return None
    return float(tip[0] / tip[2]), float(tip[1] / tip[2])


@dataclass(frozen=True, slots=True)
class Light:
    """Where a light is, as seen: L and G, None at infinity or where nothing tells; `behind` if the
    sun stands behind the artist, so that rays run to a point below the eye level."""

    kind: str
    at: tuple[float, float] | None
    ground: tuple[float, float] | None
    told: bool
    behind: bool


def lights(found: Perspective) -> tuple[Light, ...]:
    """The lights of a study's shadows."""
    made = []
    for kind in ("sun", "lamp"):
        rays = _named(found, "rays", kind)
        tracks = _named(found, "tracks", kind)
        if rays is None or tracks is None:
            continue
        at = rays.point
        behind = (
            kind == "sun" and at is not None and found.eye_level is not None
            and at[1] > found.eye_level
        )  # fmt: skip
        told = rays.determined and tracks.determined
        made.append(Light(kind, at, tracks.point, told, behind))
    return tuple(made)


def _named(found: Perspective, sort: str, kind: str) -> SeenFamily | None:
    return next((f for f in found.families if f.sort == sort and f.name == kind), None)
