"""A negative shape against its copy."""

from __future__ import annotations

import numpy as np

from zirkel.core.practice.board import Posed, Way, area
from zirkel.core.practice.exercises.base import Choice, Line, Scenes, signed
from zirkel.core.practice.exercises.boxes import any_shape

TALL = 0.5


class Negative(Choice):
    """A hole between two dark shapes, and its copy, a little wider or narrower for its height."""

    name, title = "negative", "A negative shape against its copy"
    trains = "The hole has no name, so the eye sees its shape: the surest check of a drawn copy."
    lines = (
        Line("negative", title, "share", "copies look too wide", "copies look too narrow",
             choice=True, usual=0.06, good=0.05),
    )  # fmt: skip

    def pose(self, rng: np.random.Generator, level: float, scenes: Scenes) -> Posed:
        """`level` is by which share the copy is too wide or too narrow."""
        by = signed(rng, level)
        hole = any_shape(rng, 6)
        wide, high = (float(each) for each in rng.uniform(0.18, 0.3, 2))
        size = float(rng.uniform(0.75, 1.1))
        stretch = float(np.sqrt(1.0 + by)) if by > -1 else 1.0
        copy = (wide * size * stretch, high * size / stretch)
        pieces = []
        for middle, (w, h) in ((0.25, (wide, high)), (0.75, copy)):
            left, top = middle - w / 2.0, TALL / 2.0 - h / 2.0
            pieces.append(area((middle - 0.21, 0.04), (middle + 0.21, 0.04),
                               (middle + 0.21, TALL - 0.04), (middle - 0.21, TALL - 0.04),
                               tone=6.0))  # fmt: skip
            pieces.append(area(*((left + w * x, top + h * y) for x, y in hole), tone=1.0))
        w, h = wide * size, high * size
        left, top = 0.75 - w / 2.0, TALL / 2.0 - h / 2.0
        return Posed(
            asks="The copy on the right: is it too wide for its height, or too narrow?",
            tall=TALL, pieces=tuple(pieces), way=Way("choose", names=("Too narrow", "Too wide")),
            truth=(by,),
            laid_over=(area(*((left + w * x, top + h * y) for x, y in hole), look="truth"),),
        )  # fmt: skip
