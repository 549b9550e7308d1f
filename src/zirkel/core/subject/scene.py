"""A scene: simple solids with named landmarks, and what is truly seen of it from a station."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field, replace

import numpy as np
from shapely import MultiPoint, Polygon

from zirkel.core.arrays import Array
from zirkel.core.study import Shape, UnitPair
from zirkel.core.subject.lamps import LAMPS, LampName, lamp_direction
from zirkel.core.subject.solids import AnySolid, Face, Solid
from zirkel.core.subject.station import Station, View, view_from

PLASTER, DARK = "#d9d3c6", "#4d463e"
GROUND, BEHIND = "#b4ab9c", "#8f897f"
"""Colours of what has none of its own."""


@dataclass(frozen=True, slots=True)
class SceneLandmark:
    """A named point: at a place, or where the outline of a solid's ring is seen."""

    id: str
    name: str
    tier: int
    at: tuple[float, float, float] | None = None
    on: str | None = None
    ring: int = 0
    side: str = "front"


@dataclass(frozen=True, slots=True)
class Extent:
    """Box round all solids, in mm."""

    low: Array
    high: Array

    @property
    def middle(self) -> Array:
        """Its middle (3,)."""
        return (self.low + self.high) / 2.0

    @property
    def size(self) -> Array:
        """Across, deep, high (3,)."""
        return self.high - self.low


@dataclass(frozen=True, slots=True)
class Scene:
    """Solids in world millimetres, landmarks on them, shapes for the block-in, and a station to
    begin with.

    `work` is what sort of work it serves; `light` points to where light comes from, with `soft_deg`
    half the angle under which the lamp is seen and `sky` the share of light from all round;
    `ground_mm` is how high the ground lies that it doesn't stand on; `joined` are solids drawn as
    one, without lines between them; `dark` are those of a dark colour; `colours` are solids' own,
    as “#rrggbb”, as are `ground` and `behind`.
    """

    name: str
    title: str
    work: str
    solids: tuple[AnySolid, ...]
    landmarks: tuple[SceneLandmark, ...]
    shapes: tuple[Shape, ...]
    unit: UnitPair
    station: Station
    light: tuple[float, float, float] = (-0.6, -0.5, 0.8)
    families: Mapping[str, tuple[tuple[tuple[str, str], ...], bool]] = field(default_factory=dict)
    joined: tuple[tuple[str, ...], ...] = ()
    dark: frozenset[str] = frozenset()
    soft_deg: float = 2.5
    sky: float = 0.22
    outdoors: bool = False
    ground_mm: float | None = None
    colours: Mapping[str, str] = field(default_factory=dict)
    ground: str = GROUND
    behind: str = BEHIND
    faces: tuple[tuple[str, Face], ...] = field(init=False, repr=False, compare=False)
    """All faces with the id of their solid."""
    extent: Extent = field(init=False, compare=False)

    def __post_init__(self) -> None:
        faces = tuple((solid.id, face) for solid in self.solids for face in solid.faces())
        corners = np.concatenate([face.corners for _, face in faces])
        object.__setattr__(self, "faces", faces)
        object.__setattr__(self, "extent", Extent(corners.min(axis=0), corners.max(axis=0)))

    @property
    def stands(self) -> bool:
        """Whether it stands on the ground or a table; else it hangs on a wall."""
        return abs(float(self.extent.low[2])) < 1.0

    @property
    def ground_level(self) -> float | None:
        """How high the ground lies, in mm; None where it hangs."""
        return 0.0 if self.ground_mm is None and self.stands else self.ground_mm

    def colour_of(self, solid: str) -> str:
        """A solid's own colour."""
        return self.colours.get(solid, DARK if solid in self.dark else PLASTER)

    def in_light(self, name: LampName | None) -> Scene:
        """The same in one of the `LAMPS`; its own light where none is named."""
        if name is None:
            return self
        lamp = LAMPS[name]
        x, y, z = lamp_direction(lamp, self.station)
        toward = (float(x), float(y), float(z))
        return replace(self, light=toward, soft_deg=lamp.soft_deg, sky=lamp.sky)


def view_of(scene: Scene, station: Station) -> View:
    """What is seen from the station."""
    return view_from(station, scene.extent.middle[:2])


def landmark_points(scene: Scene, view: View) -> dict[str, Array]:
    """Where each landmark is (3,), for this eye: contour points wander as the artist does."""
    solids: dict[str, Solid] = {each.id: each for each in scene.solids}
    made: dict[str, Array] = {}
    for each in scene.landmarks:
        if each.at is not None:
            made[each.id] = np.array(each.at, dtype=float)
            continue
        solid = solids[each.on or ""]
        found = solid.contour(each.ring, each.side, view.eye)
        if found is not None:
            made[each.id] = found
    return made


def seen_landmarks(scene: Scene, station: Station) -> dict[str, Array]:
    """Place (2,) of each landmark on the picture plane, as tangents."""
    view = view_of(scene, station)
    points = landmark_points(scene, view)
    seen = view.seen(np.array(list(points.values())))
    return dict(zip(points, seen, strict=True))


def hulls(scene: Scene, axes: Array, middle: Array) -> list[Array]:
    """Each solid as its convex hull (n, 2) along two axes (2, 3), counted from the middle (3,):
    what a plan or a side view shows of it."""
    corners: dict[str, list[Array]] = {}
    for solid, face in scene.faces:
        corners.setdefault(solid, []).append((face.corners - middle) @ axes.T)
    made = []
    for parts in corners.values():
        hull = MultiPoint(np.concatenate(parts)).convex_hull
        if isinstance(hull, Polygon):
            made.append(np.array(hull.exterior.coords))
    return made


def unit_length(seen: Mapping[str, Array], unit: UnitPair) -> float:
    """The unit on the picture plane, as a tangent; times the reach it is what the stick shows."""
    d = seen[unit.end] - seen[unit.start]
    return float({"straight": np.hypot(*d), "level": abs(d[0]), "plumb": abs(d[1])}[unit.along])


def truth_in_units(seen: Mapping[str, Array], unit: UnitPair) -> dict[str, Array]:
    """True places (2,) counted in the unit, from its first end."""
    length = unit_length(seen, unit)
    if length <= 0:
        return {}
    return {name: (place - seen[unit.start]) / length for name, place in seen.items()}
