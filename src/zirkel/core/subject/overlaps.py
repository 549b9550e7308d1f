"""Which shapes of a scene stand before which, by where their landmarks truly are: of two whose
outlines cover the same part of the picture, the nearer one stands before the other."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np
from shapely import LineString, Polygon
from shapely.geometry.base import BaseGeometry

from zirkel.core.study import Shape
from zirkel.core.subject.scene import Scene, landmark_points, view_of
from zirkel.core.subject.station import Station

COMMON = 0.01
"""Share of the smaller outline that must be covered for one to stand before the other."""

NEARER = 0.005
"""By what share one must be nearer: what meets another at one depth hides nothing."""


def overlaps_of(scene: Scene, station: Station, shapes: Sequence[Shape]) -> list[tuple[str, str]]:
    """(front, behind) pairs of the study's shapes; one that is part of another is left out."""
    view = view_of(scene, station)
    points = landmark_points(scene, view)
    told: list[tuple[Shape, BaseGeometry, float]] = []
    for shape in shapes:
        own = np.array([points[name] for name in shape.outline if name in points])
        if len(own) < 2:
            continue
        outline = _outline(view.seen(own), shape.closed)
        told.append((shape, outline, float(np.linalg.norm(own - view.eye, axis=1).mean())))
    made = []
    for i, (a, seen_a, away_a) in enumerate(told):
        for b, seen_b, away_b in told[i + 1 :]:
            if a.id == b.part_of or b.id == a.part_of:
                continue
            common = seen_a.intersection(seen_b).area
            if common < COMMON * min(seen_a.area, seen_b.area):
                continue
            if abs(away_a - away_b) > NEARER * max(away_a, away_b):
                made.append((a.id, b.id) if away_a < away_b else (b.id, a.id))
    return made


def _outline(points: np.ndarray, closed: bool) -> BaseGeometry:
    if closed and len(points) >= 3:
        return Polygon(points).buffer(0)
    reach = float(np.ptp(points, axis=0).max())
    return LineString(points).buffer(0.02 * reach)
