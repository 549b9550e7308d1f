"""Triangulation: which two tilts fix a point well, and which do not.

Two lines that carry an error of d radians over distances r and s and cross at the angle c put the
point off by sqrt(r² + s²) d / sin c; below 30 degrees that is more than twice as bad as square.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from itertools import combinations

import numpy as np

THIN_DEG = 30.0
TILT_DEG = 1.0


@dataclass(frozen=True, slots=True)
class Triangle:
    """A point fixed by tilts from two others: the angle at which they cross and the error to
    expect, in the places' own unit."""

    point: str
    first: str
    second: str
    crossing_deg: float
    error: float


def best_triangles(
    places: Mapping[str, Sequence[float]], tiers: Mapping[str, int], base: tuple[str, str]
) -> tuple[list[Triangle], list[str]]:
    """A triangle for each landmark from those before it, large shapes first, beginning with the two
    ends of the base; and the landmarks that only thin ones reach."""
    known = list(base)
    error = dict.fromkeys(base, 0.0)
    left = [name for name in places if name not in base]
    made: list[Triangle] = []
    while left:
        options = [each for name in left if (each := _best(name, known, error, places)) is not None]
        if not options:
            break
        tier = min(tiers[each.point] for each in options)
        chosen = min((o for o in options if tiers[o.point] == tier), key=lambda each: each.error)
        made.append(chosen)
        known.append(chosen.point)
        error[chosen.point] = chosen.error
        left.remove(chosen.point)
    return made, left


def _best(
    name: str, known: Sequence[str], error: Mapping[str, float],
    places: Mapping[str, Sequence[float]],
) -> Triangle | None:  # fmt: skip
    p = np.array(places[name])
    best: Triangle | None = None
    for a, b in combinations(known, 2):
        u, v = p - places[a], p - places[b]
        r, s = float(np.hypot(*u)), float(np.hypot(*v))
        if min(r, s) < 1e-9:
            continue
        sine = abs(float(u[0] * v[1] - u[1] * v[0])) / (r * s)
        if sine < np.sin(np.radians(THIN_DEG)):
            continue
        turn = np.radians(TILT_DEG)
        off = float(np.sqrt((r * turn) ** 2 + (s * turn) ** 2 + error[a] ** 2 + error[b] ** 2))
        if best is None or off / sine < best.error:
            best = Triangle(name, a, b, float(np.degrees(np.arcsin(sine))), off / sine)
    return best
