"""Five points from memory."""

from __future__ import annotations

import numpy as np

from zirkel.core.practice.board import Posed, Way, box, dot
from zirkel.core.practice.exercises.base import Line, Scenes, graded
from zirkel.core.practice.exercises.block_in import (
    LEFT,
    RIGHT,
    SIDE,
    TALL,
    TOP,
    PlacedPoints,
    chosen,
)
from zirkel.core.practice.looks import look_at

POINTS, LOOK_S = 5, 10.0
MOST_POINTS = 8


class MemoryMinute(PlacedPoints):
    """A scene with five numbered landmarks, looked at for ten seconds and then gone."""

    name, title = "memory", "From memory"
    trains = "Between looking and drawing there is always a moment: what is kept over it is drawn."
    lines = (
        Line("memory", title, "share", "", "", usual=0.05, good=0.03, of="of the whole"),
    )  # fmt: skip
    in_a_drill = 3
    seconds = 30.0

    def pose(self, rng: np.random.Generator, level: float, scenes: Scenes) -> Posed:
        """More points, and less time, at the harder steps."""
        many = round(graded(level, POINTS, 4, MOST_POINTS))
        look = look_at(scenes, rng, (LEFT, TOP, LEFT + SIDE, TOP + SIDE), many)
        names = chosen(look, rng, many)
        there = np.array([look.places[each] for each in names])
        truth = (there - (LEFT, TOP)) / SIDE
        seconds = float(round(graded(level, LOOK_S, 12.0, 6.0)))
        return Posed(
            asks=f"Look for {seconds:.0f} seconds: then the points are gone. Place them.",
            tall=TALL,
            pieces=(
                box(RIGHT, TOP, RIGHT + SIDE, TOP + SIDE),
                *(dot(look.places[each], "heavy", str(k + 1)) for k, each in enumerate(names)),
            ),
            way=Way("places", ((RIGHT, TOP), (RIGHT + SIDE, TOP + SIDE)),
                    names=tuple(look.names[each] for each in names), look=seconds),
            truth=tuple(float(each) for each in truth.ravel()),
            laid_over=tuple(
                dot((float(x), float(y)), "truth") for x, y in truth * SIDE + (RIGHT, TOP)
            ),
            picture=look.picture, landmarks=tuple(names),
        )  # fmt: skip
