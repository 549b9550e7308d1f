"""The picture of a scene: what is left of each face once all that stand before it are taken away.

Problem: draw simple solids, some of them stuck into each other, as clean lines and flat areas of
light and shadow, without anything that is hidden.

On the picture plane the inverse of the depth of a plane face is linear: with n.P = c the face's
plane and P = z (x, y, 1) a point seen at (x, y), 1/z = n.(x, y, 1) / c. Face B stands before face A
where 1/z_B > 1/z_A, which is one side of a straight line. So what B hides of A is the part of
B's outline on that side, and what is seen of A is its outline less all such parts. Where solids run
into each other the line of their meeting comes out of the same rule. (J. Blinn's and others'
use of linear inverse depth; the polygon arithmetic is GEOS, by Shapely.)

Lines are drawn round what is seen of each patch of faces; no line within a round surface.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
import shapely
from numpy.typing import NDArray
from shapely import Polygon, STRtree
from shapely.geometry.base import BaseGeometry

from zirkel.core.arrays import Array
from zirkel.core.patience import step
from zirkel.core.subject.scene import Scene, view_of
from zirkel.core.subject.solids import Face
from zirkel.core.subject.station import NEAREST_MM, Station, View

FINE = 1e-7
"""Grid to which places are rounded before polygon arithmetic, as a tangent."""

SLIVER = 1e-9
"""Areas below this, in squared tangents, are nothing."""

BEFORE = 2e-5
"""By what share a face must be nearer to stand before another: about 0.05 mm at 2.5 m."""

BORDER = 0.01
"""Free border round the picture, as a share of its longer side."""

SHADOW_NEAR = 0.4
"""How far off the scene its shadow is still in the picture, in its longer side as seen."""

HIDES = 0.04
"""By what share of the scene's largest size something must be nearer to hide a landmark."""

CUT_MM = 5.0 * NEAREST_MM
"""How far ahead of the eye a face is cut off."""

LIT = 0.12
"""Least cosine between a face and the light for it to be in the light."""


@dataclass(frozen=True, slots=True)
class Area:
    """What is seen of one tone of one solid."""

    solid: str
    tone: str
    shape: BaseGeometry


@dataclass(frozen=True, slots=True)
class Picture:
    """Areas from the back to the front of the list, and all lines."""

    areas: tuple[Area, ...]
    lines: BaseGeometry
    box: tuple[float, float, float, float]
    """left, top, right, bottom of everything seen, as tangents."""


@dataclass(frozen=True, slots=True)
class _Seen:
    """A face on the picture plane; `nearness` (3,) gives 1/z = nearness . (x, y, 1)."""

    outline: Polygon
    corners: Array
    nearness: Array
    solid: str
    patch: str
    lit: bool


def picture_of(scene: Scene, station: Station) -> Picture:
    """The scene as seen from the station."""
    view = view_of(scene, station)
    light = np.array(scene.light) / np.linalg.norm(scene.light)
    faces = _all_seen(scene, view, light)
    left = _unhidden(faces)
    box = box_of(scene, station)
    areas = [*_cast_shadow(scene, view, light, box), *_areas(faces, left, scene.dark)]
    return Picture(tuple(areas), _lines(faces, left, scene.joined), box)


def box_of(scene: Scene, station: Station) -> tuple[float, float, float, float]:
    """left, top, right, bottom of everything seen, as tangents, with a border and as much of the
    shadow as lies near."""
    view = view_of(scene, station)
    corners = np.concatenate([face.corners for _, face in scene.faces])
    seen = _seen_of(view, corners)
    if not len(seen):
        return (-1.0, -1.0, 1.0, 1.0)
    low, high = seen.min(axis=0), seen.max(axis=0)
    light = np.array(scene.light)
    if _throws_shadow(scene, view, light):
        shadow = _seen_of(view, corners - np.outer(corners[:, 2], light / light[2]))
        near = SHADOW_NEAR * (high - low).max()
        if len(shadow):
            low = np.minimum(low, np.maximum(shadow.min(axis=0), low - near))
            high = np.maximum(high, np.minimum(shadow.max(axis=0), high + near))
    border = BORDER * float((high - low).max())
    return (
        float(low[0]) - border,
        float(low[1]) - border,
        float(high[0]) + border,
        float(high[1]) + border,
    )


def _seen_of(view: View, points: Array) -> Array:
    return view.seen(points[view.of(points)[:, 2] > NEAREST_MM])


def visible(scene: Scene, station: Station, points: Array) -> NDArray[np.bool_]:
    """(n,) whether nothing stands well before each of the points (n, 3).

    A landmark on the outline of a limb lies within it by about its radius, so only what is nearer
    by a share of the scene's own size hides it.
    """
    view = view_of(scene, station)
    deep = HIDES * float(scene.extent.size.max())
    seen, ahead = view.seen(points), view.of(points)[:, 2]
    clear: NDArray[np.bool_] = ahead > NEAREST_MM
    for each in _all_seen(scene, view, np.array(scene.light)):
        step("looking for what is hidden")
        inside = shapely.contains_xy(each.outline.buffer(-1e-6), seen[:, 0], seen[:, 1])
        nearness = np.column_stack([seen, np.ones(len(seen))]) @ each.nearness
        clear &= ~(inside & (nearness * (np.maximum(ahead, NEAREST_MM) - deep) > 1.0))
    return clear


def _all_seen(scene: Scene, view: View, light: Array) -> list[_Seen]:
    made = []
    for solid, face in scene.faces:
        step("drawing the scene")
        found = _seen(face, view, light, solid)
        if found is not None:
            made.append(found)
    return made


def _seen(face: Face, view: View, light: Array, solid: str) -> _Seen | None:
    """The face as seen, None if it is turned away or has no area; what of it reaches behind the eye
    is cut off."""
    normal = face.normal()
    if float(normal @ (face.corners[0] - view.eye)) >= -1e-9:
        return None
    there = _ahead(view.of(face.corners))
    if len(there) < 3:
        return None
    corners = np.column_stack([there[:, 0] / there[:, 2], -there[:, 1] / there[:, 2]])
    outline = shapely.set_precision(Polygon(corners), FINE)
    if outline.geom_type != "Polygon" or outline.area < SLIVER:
        return None
    # In the eye's axes (right, above, ahead) the picture's y runs against "above".
    n = np.array([normal @ view.right, -normal[2], normal @ view.ahead])
    c = float(normal @ (face.corners[0] - view.eye))
    return _Seen(outline, corners, n / c, solid, face.patch, float(normal @ light) > LIT)


def _ahead(there: Array) -> Array:
    """The corners (n, 3) in the eye's axes, cut off where they would lie behind the eye."""
    if there[:, 2].min() > NEAREST_MM:
        return there
    return _clipped(there, there[:, 2] - CUT_MM)


def _unhidden(faces: Sequence[_Seen]) -> list[BaseGeometry]:
    """What is left of each face."""
    outlines = [each.outline for each in faces]
    tree = STRtree(outlines)
    left: list[BaseGeometry] = []
    for number, face in enumerate(faces):
        step("drawing the scene")
        hiding = []
        # What only meets a face's border, as its neighbours do, hides nothing of it.
        within = face.outline.buffer(-2.0 * FINE)
        met = tree.query(face.outline if within.is_empty else within, predicate="intersects")
        for other in met:
            if other == number:
                continue
            part = _before(faces[int(other)], face, first=int(other) < number)
            if part is not None:
                hiding.append(part)
        rest: BaseGeometry = face.outline
        if hiding:
            rest = shapely.difference(face.outline, shapely.union_all(hiding), grid_size=FINE)
        left.append(rest)
    return left


def _before(other: _Seen, face: _Seen, first: bool) -> Polygon | None:
    """The part of the other face's outline in which it stands before this one. Of two that lie in
    one plane, the one that comes first is seen."""
    corners = np.column_stack([other.corners, np.ones(len(other.corners))])
    nearer, own = corners @ (other.nearness - face.nearness), corners @ face.nearness
    if (np.abs(nearer) <= BEFORE * own).all():
        return other.outline if first else None
    f = nearer - BEFORE * own
    if (f > 0).all():
        return other.outline
    if (f <= 0).all():
        return None
    corners = _clipped(other.corners, f)
    if len(corners) < 3:
        return None
    made = Polygon(corners)
    return made if made.area > SLIVER and made.is_valid else None


def _clipped(corners: Array, f: Array) -> Array:
    """The convex outline where f, linear over it and given at its corners, is above zero."""
    kept = []
    for i in range(len(corners)):
        k = (i + 1) % len(corners)
        if f[i] > 0:
            kept.append(corners[i])
        if (f[i] > 0) != (f[k] > 0):
            share = f[i] / (f[i] - f[k])
            kept.append(corners[i] + share * (corners[k] - corners[i]))
    return np.array(kept)


def _areas(
    faces: Sequence[_Seen], left: Sequence[BaseGeometry], dark: frozenset[str]
) -> list[Area]:
    pieces: dict[tuple[str, str], list[BaseGeometry]] = {}
    for face, rest in zip(faces, left, strict=True):
        tone = "light" if face.lit and face.solid not in dark else "shadow"
        pieces.setdefault((face.solid, tone), []).append(rest)
    made = []
    for (solid, tone), parts in pieces.items():
        shape = _only_polygons(shapely.union_all(parts, grid_size=FINE))
        if shape.area > SLIVER:
            made.append(Area(solid, tone, shape))
    return made


def _only_polygons(shape: BaseGeometry) -> BaseGeometry:
    parts = [p for p in shapely.get_parts(shape) if p.geom_type == "Polygon" and p.area > SLIVER]
    return shapely.MultiPolygon(parts)


def _lines(
    faces: Sequence[_Seen], left: Sequence[BaseGeometry], joined: Sequence[Sequence[str]]
) -> BaseGeometry:
    together = {solid: number for number, group in enumerate(joined) for solid in group}
    patches: dict[tuple[object, str], list[BaseGeometry]] = {}
    for face, rest in zip(faces, left, strict=True):
        group = together.get(face.solid)
        key = (face.solid, face.patch) if group is None else (group, "")
        patches.setdefault(key, []).append(rest)
    borders = [
        _only_polygons(shapely.union_all(parts, grid_size=FINE)).boundary
        for parts in patches.values()
    ]
    if not borders:
        return shapely.MultiLineString()
    return shapely.line_merge(shapely.union_all(borders, grid_size=FINE))


def _throws_shadow(scene: Scene, view: View, light: Array) -> bool:
    """Whether the scene stands on the ground, lit from above, and the ground is seen."""
    return scene.stands and view.eye[2] > 0 and float(light[2] / np.linalg.norm(light)) >= 0.2


def _cast_shadow(
    scene: Scene, view: View, light: Array, box: tuple[float, float, float, float]
) -> list[Area]:
    """The shadow that all solids throw on the ground, seen from the station, within the box.

    It lies behind everything that stands on the ground, so it is drawn first. Each face is carried
    along the light to z = 0.
    """
    if not _throws_shadow(scene, view, light):
        return []
    parts = []
    for _, face in scene.faces:
        if face.normal() @ light <= 0:
            continue
        there = _ahead(view.of(face.corners - np.outer(face.corners[:, 2], light / light[2])))
        if len(there) >= 3:
            seen = np.column_stack([there[:, 0] / there[:, 2], -there[:, 1] / there[:, 2]])
            parts.append(shapely.convex_hull(Polygon(seen)))
    if not parts:
        return []
    whole = shapely.intersection(shapely.union_all(parts, grid_size=FINE), shapely.box(*box))
    return [Area("ground", "cast", _only_polygons(whole))]
