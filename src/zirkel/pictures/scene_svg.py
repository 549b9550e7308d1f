"""The picture of a scene as SVG: flat light and shadow, clean lines, in the product's hand."""

from __future__ import annotations

import hashlib
from functools import cache
from pathlib import Path

import shapely
from shapely.geometry.base import BaseGeometry

from zirkel.core.subject import picture, solids
from zirkel.core.subject.picture import Picture, picture_of
from zirkel.core.subject.scene import Scene
from zirkel.core.subject.station import Station
from zirkel.errors import BadInput

CANNOT = (ArithmeticError, ValueError, LookupError, shapely.errors.ShapelyError)

TONES = {"cast": "#d9cdb8", "light": "#fbf8f1", "shadow": "#c9bca6"}
LINE = "#2b2926"
LONG_SIDE = 1000.0
"""Length of the longer side of the drawing, in the SVG's own unit."""

SMOOTHING = 0.15
"""Corners that lie this near to the line between their neighbours, in that unit, are left out."""


@cache
def drawn_by() -> str:
    """What tells one way of drawing scenes from another: a digest of the code that draws them."""
    modules = (Path(__file__), *sorted(Path(solids.__path__[0]).glob("*.py")),
               Path(str(picture.__file__)))  # fmt: skip
    return hashlib.sha256(b"".join(each.read_bytes() for each in modules)).hexdigest()


def drawn(scene: Scene, station: Station) -> bytes:
    """The scene from a station, as SVG; BadInput where it can't be drawn from there."""
    try:
        return scene_svg(picture_of(scene, station))
    except CANNOT as error:
        raise BadInput(
            "station", f"the scene can't be drawn from there ({error}): go a little aside"
        ) from error


def scene_svg(seen: Picture) -> bytes:
    """The drawing, its view box being the picture's box."""
    left, top, right, bottom = seen.box
    size = LONG_SIDE / max(right - left, bottom - top, 1e-9)
    width, height = (right - left) * size, (bottom - top) * size
    areas = "".join(
        f'<path fill="{TONES[each.tone]}" d="{_path(each.shape, seen, size)}"/>'
        for each in seen.areas
    )
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 {width:.2f} {height:.2f}" '
        f'width="{width:.2f}" height="{height:.2f}">'
        f'<g fill-rule="evenodd">{areas}</g>'
        f'<path fill="none" stroke="{LINE}" stroke-width="1.6" stroke-linejoin="round" '
        f'stroke-linecap="round" vector-effect="non-scaling-stroke" '
        f'd="{_path(seen.lines, seen, size)}"/></svg>'
    ).encode()


def _path(shape: BaseGeometry, seen: Picture, size: float) -> str:
    """Path data of polygons and lines, in the SVG's unit."""
    left, top = seen.box[:2]
    there = shapely.transform(shape, lambda p: (p - (left, top)) * size)
    parts = []
    for piece in shapely.get_parts(shapely.simplify(there, SMOOTHING)):
        rings = [piece.exterior, *piece.interiors] if piece.geom_type == "Polygon" else [piece]
        for ring in rings:
            points = " ".join(f"{x:.1f},{y:.1f}" for x, y in ring.coords)
            parts.append(f"M{points}{'Z' if ring.is_closed else ''}")
    return "".join(parts)
