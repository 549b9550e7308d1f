"""A level board that runs back: how deep it looks."""

from __future__ import annotations

import numpy as np

from zirkel.core.practice.board import Posed, Way, area, line
from zirkel.core.practice.exercises.base import Exercise, Line, Scenes, graded

TALL = 0.56
EYE_MM, NEAR_MM = (350.0, 700.0), (900.0, 1800.0)
"""How far the eye is over the board, and the board's near edge from it."""


class Foreshortened(Exercise):
    """A board seen from above its edge: how many of its seen width is its seen depth?"""

    name, title = "foreshortened", "How deep it looks"
    trains = "Depth is drawn as long as it is known to be: count it as it is seen."
    lines = (
        Line("foreshortened", title, "relative", "too deep", "too flat", usual=0.12, good=0.06,
             worth_mm=150.0, kinds=("span",)),
    )  # fmt: skip
    seconds = 8.0

    def pose(self, rng: np.random.Generator, level: float, scenes: Scenes) -> Posed:
        """By central projection: y falls as one over the distance."""
        eye, near = float(rng.uniform(*EYE_MM)), float(rng.uniform(*NEAR_MM))
        wide = float(rng.uniform(500.0, 900.0))
        deep = wide * float(rng.uniform(graded(level, 0.6, 0.6, 1.4), graded(level, 1.8, 1.0, 2.6)))
        aside = float(rng.uniform(-0.3, 0.3)) * wide * graded(level, 1.0, 0.0, 2.0)
        far = near + deep

        def seen(x: float, away: float) -> tuple[float, float]:
            return x / away, eye / away

        ring = [seen(aside - wide / 2, near), seen(aside + wide / 2, near),
                seen(aside + wide / 2, far), seen(aside - wide / 2, far)]  # fmt: skip
        xs, ys = [p[0] for p in ring], [p[1] for p in ring]
        size = min(0.6 / (max(xs) - min(xs)), 0.36 / (max(ys) - min(ys)))
        x0 = 0.44 - size * (max(xs) + min(xs)) / 2.0
        y0 = TALL / 2.0 - size * (max(ys) + min(ys)) / 2.0
        at = [(x0 + size * x, y0 + size * y) for x, y in ring]
        (left, bottom), (right, _), (_, top), _ = at
        unit = right - left
        truth = (bottom - top) / unit
        base, side = bottom + 0.025, max(right, at[2][0]) + 0.03
        tick = tuple(
            line((side - 0.01, bottom - k * unit / 4.0),
                 (side + 0.01, bottom - k * unit / 4.0), look="truth", name=f"{k}/4")
            for k in range(1, int(4 * truth) + 1)
        )  # fmt: skip
        return Posed(
            asks="As you see it: how many of the near edge is the board's depth, straight up?",
            tall=TALL,
            pieces=(area(*at, tone=3.0),
                    line((left, base), (right, base), look="asked", name="1"),
                    line((side, top), (side, bottom), look="asked", name="?")),
            way=Way("scale", low=0.0, high=1.5), truth=(truth,),
            laid_over=(line((side, bottom), (side, top), look="truth"), *tick),
        )  # fmt: skip
