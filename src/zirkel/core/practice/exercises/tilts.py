"""A tilt, by the hour."""

from __future__ import annotations

import math

import numpy as np

from zirkel.core.practice.board import Posed, Way, line
from zirkel.core.practice.exercises.base import Exercise, Line, Scenes
from zirkel.core.practice.looks import look_at
from zirkel.core.values.tilts import tilt_of

TALL = 0.62
LEAST = 0.08
HAND = 0.2


class Tilt(Exercise):
    """An edge, set again on a clock's face."""

    name, title = "tilt", "A tilt, by the hour"
    trains = "Tilts carry a drawing from point to point; a tilt five minutes off shifts an elbow."
    lines = (
        Line("tilt", title, "degrees", "too far clockwise", "too far back", usual=4.0,
             worth_mm=300.0 * math.radians(1.0), kinds=("tilt",)),
    )  # fmt: skip

    def pose(self, rng: np.random.Generator, level: float, scenes: Scenes) -> Posed:
        """An edge of a scene, or a line on bare paper; the clock stands beside it."""
        clock = (0.78, TALL / 2.0)
        picture = None
        turn = float(rng.uniform(0.0, 180.0))
        a, b = self._line(rng, turn)
        if rng.random() < 0.5:
            look = look_at(scenes, rng, (0.02, 0.04, 0.54, TALL - 0.04))
            edges = look.edges(LEAST)
            if edges:
                first, second = edges[int(rng.integers(len(edges)))]
                a, b, picture = look.places[first], look.places[second], look.picture
        if a[1] < b[1]:
            a, b = b, a
        truth = tilt_of(a, b)
        over = math.radians(truth)
        tip = (clock[0] + HAND * math.sin(over), clock[1] - HAND * math.cos(over))
        tail = (2 * clock[0] - tip[0], 2 * clock[1] - tip[1])
        return Posed(
            asks="Set the hand to the same tilt.",
            tall=TALL, pieces=(line(a, b, look="heavy"),),
            way=Way("turn", (clock, (clock[0], clock[1] - HAND))), truth=(truth,),
            laid_over=(line(tail, tip, look="truth"),), picture=picture,
        )  # fmt: skip

    def _line(self, rng: np.random.Generator, turn: float) -> tuple[tuple[float, float], ...]:
        half = float(rng.uniform(0.06, 0.22))
        way = np.array([math.sin(math.radians(turn)), -math.cos(math.radians(turn))])
        middle = np.array([0.28, TALL / 2.0]) + rng.uniform(-0.03, 0.03, 2)
        a, b = middle - half * way, middle + half * way
        return (float(a[0]), float(a[1])), (float(b[0]), float(b[1]))
