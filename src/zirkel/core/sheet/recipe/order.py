"""The order of a block-in: the ends of the whole and of the unit, the envelope, then shape by
shape, large before small, each beside those that stand; what belongs to no shape last.

A stage is a set of landmarks that are placed one after the other; those that were placed in an
earlier stage are not placed again.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np
from shapely import MultiPoint, Polygon

from zirkel.core.arrays import Array

MOST_CORNERS = 6
"""Straight lines of an envelope."""


@dataclass(frozen=True, slots=True)
class Outline:
    """A shape to be placed: its landmarks in drawing order."""

    id: str
    outline: tuple[str, ...]
    closed: bool
    tier: int


@dataclass(frozen=True, slots=True)
class Stage:
    """What is placed together: `kind` is own (the artist's order), ticks, envelope, shape
    or rest."""

    kind: str
    landmarks: tuple[str, ...]
    shape: Outline | None = None


def stages(
    marks: Mapping[str, Array],
    tiers: Mapping[str, int],
    shapes: Sequence[Outline],
    unit: tuple[str, str] | None,
    inside_out: bool = False,
) -> list[Stage]:
    """All stages; every landmark is in one at least."""  # fmt: skip
    made: list[Stage] = []
    ends = [name for name in unit or () if name in marks]
    if not inside_out:
        made.append(Stage("ticks", tuple(dict.fromkeys([*ends, *extremes(marks)]))))
        if len(marks) > MOST_CORNERS:
            made.append(Stage("envelope", tuple(envelope(marks))))
    else:
        made.append(Stage("ticks", tuple(ends)))
    placed = {name for each in made for name in each.landmarks}
    for shape in _in_order([each for each in shapes if _whole(each, marks)], marks, placed):
        made.append(Stage("shape", shape.outline, shape))
    left = [name for name in marks if not any(name in each.landmarks for each in made)]
    for tier in (1, 2, 3):
        own = tuple(name for name in left if tiers[name] == tier)
        if own:
            made.append(Stage("rest", own))
    return [each for each in made if each.landmarks]


def _whole(shape: Outline, marks: Mapping[str, Array]) -> bool:
    """Whether two of its landmarks at least are held."""
    return len({name for name in shape.outline if name in marks}) >= 2


def extremes(marks: Mapping[str, Array]) -> dict[str, list[str]]:
    """Landmarks at the top, bottom, left and right of the whole, with the sides each is at."""
    found: dict[str, list[str]] = {}
    for side, axis, sign in (("top", 1, 1), ("bottom", 1, -1), ("left", 0, 1), ("right", 0, -1)):
        name = min(marks, key=lambda each: (sign * float(marks[each][axis]), each))
        found.setdefault(name, []).append(side)
    return found


def longest_base(marks: Mapping[str, Array], tiers: Mapping[str, int]) -> tuple[str, str] | None:
    """The two large landmarks that are furthest apart: what triangles are begun from."""
    least = min(tiers[name] for name in marks)
    large = [name for name in marks if tiers[name] == least]
    if len(large) < 2:
        return None
    at = np.array([marks[name] for name in large])
    apart = np.hypot(*(at[:, None] - at[None]).transpose(2, 0, 1))
    i, j = np.unravel_index(int(apart.argmax()), apart.shape)
    return large[int(i)], large[int(j)]


def envelope(marks: Mapping[str, Array]) -> list[str]:
    """The landmarks that the few straight lines round the whole go by: the hull, less the corners
    that matter least."""
    hull = MultiPoint([tuple(map(float, at)) for at in marks.values()]).convex_hull
    if not isinstance(hull, Polygon):
        return []
    named = {tuple(map(float, at)): name for name, at in marks.items()}
    corners = [named[tuple(at)] for at in list(hull.exterior.coords)[:-1] if tuple(at) in named]
    while len(corners) > MOST_CORNERS:
        worth = [
            _triangle(marks[a], marks[b], marks[c])
            for a, b, c in zip(
                [corners[-1], *corners], corners, [*corners[1:], corners[0]], strict=False
            )
        ]  # fmt: skip
        corners.pop(int(np.argmin(worth)))
    return corners


def _triangle(a: Array, b: Array, c: Array) -> float:
    return abs(float((b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]))) / 2.0


def _in_order(
    shapes: Sequence[Outline], marks: Mapping[str, Array], placed: set[str]
) -> list[Outline]:
    """The anchor first: large, central, in front, which is drawn lower; then, large before small,
    whichever has most of its landmarks standing or lies nearest to those that stand."""
    left = list(shapes)
    if not left:
        return []
    all_at = np.array([marks[name] for name in marks])
    middle, extent = all_at.mean(axis=0), float(np.ptp(all_at, axis=0).max()) or 1.0

    def held(shape: Outline) -> Array:
        return np.array([marks[name] for name in shape.outline if name in marks])

    def anchors(shape: Outline) -> tuple[int, float]:
        at = held(shape)
        size = float(np.ptp(at, axis=0).sum()) / extent
        central = float(np.hypot(*(at.mean(axis=0) - middle))) / extent
        front = float(at[:, 1].max() - all_at[:, 1].min()) / extent
        return shape.tier, -(size - 0.8 * central + 0.3 * front)

    first = min(left, key=anchors)
    made = [first]
    left.remove(first)
    standing = {*placed, *first.outline}
    while left:

        def beside(shape: Outline, standing: set[str] = standing) -> tuple[int, float]:
            own = [name for name in shape.outline if name in marks]
            new = [marks[name] for name in own if name not in standing]
            if not new:
                return shape.tier, -1.0
            stand = np.array([marks[name] for name in standing if name in marks])
            gaps = np.hypot(*(np.array(new)[:, None] - stand[None]).transpose(2, 0, 1))
            return shape.tier, float(gaps.min(axis=1).mean()) / extent - 0.2 * (
                1.0 - len(new) / len(own)
            )

        following = min(left, key=beside)
        made.append(following)
        left.remove(following)
        standing |= set(following.outline)
    return made
