"""How much of the frame each area takes, from its outline where it isn't given."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.light import ToneArea

Spot = tuple[float, float]
LEAST = 1e-9


def polygon_area(points: Sequence[Sequence[float]]) -> float:
    """The area that an outline encloses, by the shoelace sum."""
    p: Array = np.asarray(points, dtype=float).reshape(-1, 2)
    if len(p) < 3:
        return 0.0
    x, y = p.T
    return abs(float(x @ np.roll(y, -1) - y @ np.roll(x, -1))) / 2.0


def shares_of(
    areas: Sequence[ToneArea],
    places: Mapping[str, Spot],
    frame: tuple[float, float, float, float] | None,
) -> dict[str, float]:
    """Each area's share: its own, or its outline's of the frame (left, right, top, bottom), of the
    box round all landmarks where there is none; areas that tell neither are left out."""
    if frame is None and places:
        at = np.array(list(places.values()))
        (left, top), (right, bottom) = at.min(axis=0), at.max(axis=0)
        frame = float(left), float(right), float(top), float(bottom)
    whole = 0.0 if frame is None else (frame[1] - frame[0]) * (frame[3] - frame[2])
    made = {}
    for each in areas:
        if each.share is not None:
            made[each.id] = each.share
            continue
        outline = [places[name] for name in each.outline if name in places]
        area = polygon_area(outline)
        if area > LEAST and whole > LEAST:
            made[each.id] = min(area / whole, 1.0)
    return made


def crosses_itself(points: Sequence[Spot]) -> bool:
    """Whether a closed outline crosses itself."""
    n = len(points)
    for i in range(n):
        for j in range(i + 2, n):
            if (j + 1) % n == i:
                continue
            ends = points[i], points[(i + 1) % n], points[j], points[(j + 1) % n]
            if _cross(*ends):
                return True
    return False


def _cross(a: Spot, b: Spot, c: Spot, d: Spot) -> bool:
    def side(p: Spot, q: Spot, r: Spot) -> float:
        return (q[0] - p[0]) * (r[1] - p[1]) - (q[1] - p[1]) * (r[0] - p[0])

    return side(a, b, c) * side(a, b, d) < 0 and side(c, d, a) * side(c, d, b) < 0
