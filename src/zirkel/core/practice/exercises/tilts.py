"""A tilt, by the hour."""

from __future__ import annotations

import math

import numpy as np

from zirkel.core.practice.board import Piece, Posed, Way, line
from zirkel.core.practice.exercises.base import Exercise, Line, Scenes, distractors, graded
from zirkel.core.practice.looks import look_at
from zirkel.core.values.tilts import tilt_of

TALL = 0.62
LEAST = 0.08
HAND = 0.2
NEARLY = 4.0
"""The step from which lines are nearly plumb or level, on bare paper."""


def _astray(rng: np.random.Generator, level: float) -> tuple[Piece, ...]:
    """Lines that have nothing to do with it, on the edge's own side of the board."""
    return tuple(
        line(*((0.5 * x, y) for x, y in each.spots), look=each.look)
        for each in distractors(rng, level, TALL)
    )


class Tilt(Exercise):
    """An edge, set again on a clock's face."""

    name, title = "tilt", "A tilt, by the hour"
    trains = "Tilts carry a drawing from point to point; a tilt five minutes off shifts an elbow."
    lines = (
        Line("tilt", title, "degrees", "too far clockwise", "too far back", usual=4.0, good=2.5,
             worth_mm=300.0 * math.radians(1.0), kinds=("tilt",)),
    )  # fmt: skip

    def pose(self, rng: np.random.Generator, level: float, scenes: Scenes) -> Posed:
        """An edge of a scene, or a line on bare paper; the clock stands beside it."""
        clock = (0.78, TALL / 2.0)
        picture = None
        turn = float(rng.uniform(0.0, 180.0))
        a, b = self._line(rng, turn, level)
        if rng.random() < 0.5 and level < NEARLY:
            look = look_at(scenes, rng, (0.02, 0.04, 0.54, TALL - 0.04))
            edges = look.edges(graded(level, LEAST, 0.15, 0.05))
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
            tall=TALL, pieces=(*_astray(rng, level), line(a, b, look="heavy")),
            way=Way("turn", (clock, (clock[0], clock[1] - HAND))), truth=(truth,),
            laid_over=(line(tail, tip, look="truth"),), picture=picture,
        )  # fmt: skip

    def _line(
        self, rng: np.random.Generator, turn: float, level: float
    ) -> tuple[tuple[float, float], ...]:
        half = float(rng.uniform(graded(level, 0.06, 0.18, 0.03), graded(level, 0.22, 0.24, 0.06)))
        if level >= NEARLY:
            # Near-verticals are made vertical, near-levels level.
            turn = float(rng.choice([0.0, 90.0]) + rng.uniform(2.0, 9.0) * rng.choice([-1.0, 1.0]))
        way = np.array([math.sin(math.radians(turn)), -math.cos(math.radians(turn))])
        middle = np.array([0.28, TALL / 2.0]) + rng.uniform(-0.03, 0.03, 2)
        a, b = middle - half * way, middle + half * way
        return (float(a[0]), float(a[1])), (float(b[0]), float(b[1]))
