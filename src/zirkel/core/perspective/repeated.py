"""Equal steps into depth by diagonals, halves and centres in perspective.

Of things alike that stand in equal steps on one line (posts, tiles, windows), two are sighted. The
line from the top of the first through the middle of the second meets the line of the feet where the
third stands: in reality it is the diagonal of two equal panels. So on, from each to the next. The
centre of a panel is where its diagonals cross, and half its depth stands there. Only lines through
points are used, so it holds wherever the eye is (as in treatises on perspective since L. Alberti,
1435, *De pictura*). Places in any unit, homogeneous inside.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise

import numpy as np

from zirkel.core.arrays import Array
from zirkel.errors import BadInput

Post = tuple[tuple[float, float], tuple[float, float]]
"""Top and foot."""

FLAT = 1e-9


@dataclass(frozen=True, slots=True)
class Repeated:
    """Posts in equal steps as they are seen, the two sighted first; the centre of each panel; and
    the middle of the first panel as a post of its own."""

    posts: tuple[Post, ...]
    centres: tuple[tuple[float, float], ...]
    half: Post | None


def repeated(first: Post, second: Post, count: int) -> Repeated:
    """So many posts in equal steps, from the first two. BadInput where these are one, or lean into
    one line, so that nothing can be drawn from them."""
    (a, b), (c, d) = (tuple(map(_point, post)) for post in (first, second))
    tops, feet = np.cross(a, c), np.cross(b, d)
    if min(_length(np.cross(a, b)), _length(np.cross(c, d)), _length(tops), _length(feet)) < FLAT:
        raise BadInput("repeats", "the two posts coincide or have no height: choose four corners")
    if _length(np.cross(_unit(tops), _unit(feet))) < FLAT:
        raise BadInput("repeats", "tops and feet lie on one line: choose the posts' tops and feet")
    posts = [(a, b), (c, d)]
    upright = np.cross(np.cross(a, b), np.cross(c, d))
    for _ in range(count - 2):
        (top, _), (near_top, near_foot) = posts[-2], posts[-1]
        middle = _middle(near_top, near_foot, upright)
        foot = _unit(np.cross(np.cross(top, middle), feet))
        made = _unit(np.cross(np.cross(foot, upright), tops))
        if abs(foot[2]) < FLAT or abs(made[2]) < FLAT:
            break
        posts.append((made, foot))
    shown = [(_place(top), _place(foot)) for top, foot in posts]
    for i in range(2, len(shown)):
        # Beyond the vanishing point nothing stands.
        if _turned_back(shown[i - 2 : i + 1]):
            shown = shown[:i]
            break
    centres = [
        _place(np.cross(np.cross(p[0], q[1]), np.cross(p[1], q[0])))
        for p, q in pairwise(posts[: len(shown)])
    ]
    return Repeated(tuple(shown), tuple(centres), _half(posts[0], posts[1], upright))


def _half(first: tuple[Array, Array], second: tuple[Array, Array], upright: Array) -> Post | None:
    centre = np.cross(np.cross(first[0], second[1]), np.cross(first[1], second[0]))
    line = _unit(np.cross(_unit(centre), _unit(upright)))
    top = _unit(np.cross(line, np.cross(first[0], second[0])))
    foot = _unit(np.cross(line, np.cross(first[1], second[1])))
    if min(abs(top[2]), abs(foot[2]), _length(line)) < FLAT:
        return None
    return _place(top), _place(foot)


def _middle(top: Array, foot: Array, upright: Array) -> Array:
    """The middle of a post in reality: where uprights stay parallel as seen, the seen middle; where
    they meet, the harmonic one of top, foot and where they meet."""
    a, b = top / top[2], foot / foot[2]
    if abs(upright[2]) < FLAT * _length(upright):
        return (a + b) / 2.0
    meet = upright / upright[2]
    far_a, far_b = (float(np.hypot(*(each - meet)[:2])) for each in (a, b))
    made: Array = (a * far_b + b * far_a) / (far_a + far_b)
    return made


def _turned_back(three: Sequence[Post]) -> bool:
    (_, a), (_, b), (_, c) = (np.array(post) for post in three)
    return float((b - a) @ (c - b)) <= 0.0


def _point(at: tuple[float, float]) -> Array:
    return np.array([at[0], at[1], 1.0])


def _place(point: Array) -> tuple[float, float]:
    return float(point[0] / point[2]), float(point[1] / point[2])


def _length(v: Array) -> float:
    return float(np.linalg.norm(v))


def _unit(v: Array) -> Array:
    made: Array = v / max(_length(v), 1e-300)
    return made
