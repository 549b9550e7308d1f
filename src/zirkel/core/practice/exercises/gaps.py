"""Gaps: which is larger, and by how much."""

from __future__ import annotations

import numpy as np

from zirkel.core.practice.board import Piece, Posed, Way, area, line
from zirkel.core.practice.exercises.base import Choice, Exercise, Line, Scenes, graded, signed

TALL = 0.5
FLOOR = 0.42


def _uprights(
    rng: np.random.Generator, left: float, right: float
) -> tuple[tuple[Piece, ...], float]:
    """Three posts of different widths and heights with two gaps between; where the middle one
    begins."""
    posts = rng.uniform(0.02, 0.09, 3)
    tops = rng.uniform(0.08, 0.26, 3)
    begin = (1.0 - float(posts.sum()) - left - right) / 2.0
    x = [begin, begin + float(posts[0]) + left, begin + float(posts[:2].sum()) + left + right]
    made = tuple(
        area((a, float(top)), (a + float(w), float(top)), (a + float(w), FLOOR), (a, FLOOR),
             tone=3.0)
        for a, w, top in zip(x, posts, tops, strict=True)
    )  # fmt: skip
    return (*made, line((0.05, FLOOR), (0.95, FLOOR))), x[1]


class LargerGap(Choice):
    """Two gaps, one a little larger."""

    name, title = "larger_gap", "Which gap is larger"
    trains = "Gaps are what a drawing is checked by: the eye that sees the larger needs no stick."
    lines = (
        Line("larger_gap", title, "share", "the right one looks larger",
             "the left one looks larger", choice=True, usual=0.06, good=0.04, kinds=("match",)),
    )  # fmt: skip

    def pose(self, rng: np.random.Generator, level: float, scenes: Scenes) -> Posed:
        """`level` is by which share the larger is larger."""
        gap = float(rng.uniform(0.12, 0.26))
        by = signed(rng, level)
        left, right = (gap * (1.0 - by / 2.0), gap * (1.0 + by / 2.0))
        pieces, middle = _uprights(rng, left, right)
        ends = (middle - left, middle)
        return Posed(
            asks="Which gap is larger?", tall=TALL, pieces=pieces,
            way=Way("choose", names=("The left one", "The right one")), truth=(by,),
            laid_over=(line((ends[0], 0.455), (ends[1], 0.455), look="truth"),
                       line((ends[0], 0.475), (ends[0] + right, 0.475), look="truth")),
        )  # fmt: skip


class GapBy(Exercise):
    """How many times the smaller goes into the larger."""

    name, title = "gap_by", "How much larger is the gap"
    trains = "Comparing two lengths that don't touch, which the stick does by carrying one across."
    lines = (
        Line("gap_by", title, "relative", "too much", "too little", usual=0.07, good=0.05,
             kinds=("match",)),
    )  # fmt: skip
    seconds = 7.0

    def pose(self, rng: np.random.Generator, level: float, scenes: Scenes) -> Posed:
        """Two gaps, one up to two and a half times as large."""
        truth = float(rng.uniform(graded(level, 1.1, 1.1, 1.8), graded(level, 2.6, 1.6, 2.8)))
        small = float(rng.uniform(0.1, 0.18))
        swapped = rng.random() < 0.5
        left, right = (small * truth, small) if swapped else (small, small * truth)
        pieces, middle = _uprights(rng, left, right)
        foot = middle - left
        over = tuple(
            line((foot + k * small, 0.45), (foot + (k + 1) * small, 0.45), look="truth",
                 name=f"{k + 1}")
            for k in range(int(truth))
        )  # fmt: skip
        return Posed(
            asks="How many of the smaller gap make the larger?", tall=TALL, pieces=pieces,
            way=Way("scale", low=1.0, high=3.0), truth=(truth,),
            laid_over=(line((foot, 0.47), (foot + small * truth, 0.47), look="truth"), *over),
        )  # fmt: skip
