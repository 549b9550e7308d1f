"""Half, third, quarter of a length, by eye."""

from __future__ import annotations

from typing import ClassVar

import numpy as np

from zirkel.core.practice.board import Posed, Spot, Way, dot, line
from zirkel.core.practice.exercises.base import Exercise, Line, Scenes, distractors, graded

TALL = 0.62
SHORTEST, LONGEST = 0.3, 0.8
SLANTS = 3.0
"""The step from which lengths slant."""


def any_length(rng: np.random.Generator, level: float = 0.0) -> tuple[Spot, Spot]:
    """Two spots on the board, level, upright or slanting; harder steps are shorter, and slant."""
    turn = float(rng.choice([0.0, 90.0, rng.uniform(0.0, 180.0)]))
    if level:
        turn = float(rng.choice([0.0, 90.0])) if level < SLANTS else float(rng.uniform(0.0, 180.0))
    shortest, longest = graded(level, SHORTEST, 0.6, 0.12), graded(level, LONGEST, LONGEST, 0.25)
    way = np.array([np.cos(np.radians(turn)), np.sin(np.radians(turn))])
    room = min(0.9 / max(abs(way[0]), 1e-9), (TALL - 0.1) / max(abs(way[1]), 1e-9))
    length = min(float(rng.uniform(shortest, longest)), room)
    reach = np.abs(way) * length / 2.0
    middle = rng.uniform(
        (0.04 + reach[0], 0.04 + reach[1]), (0.96 - reach[0], TALL - 0.04 - reach[1])
    )
    a, b = middle - way * length / 2.0, middle + way * length / 2.0
    if rng.random() < 0.5:
        a, b = b, a
    return (float(a[0]), float(a[1])), (float(b[0]), float(b[1]))


class PartOf(Exercise):
    """A share of a length, from its marked end."""

    share: ClassVar[float]
    said: ClassVar[str]

    def pose(self, rng: np.random.Generator, level: float, scenes: Scenes) -> Posed:
        """A length anywhere on the board."""
        a, b = any_length(rng, level)
        at = (a[0] + self.share * (b[0] - a[0]), a[1] + self.share * (b[1] - a[1]))
        return Posed(
            asks=f"Mark {self.said} of the length, from the end with the larger ring.",
            tall=TALL,
            pieces=(*distractors(rng, level, TALL), line(a, b), dot(a, "heavy"), dot(b)),
            way=Way("along", (a, b)),
            truth=(self.share,),
            laid_over=(dot(at, "truth"),),
        )


def _line(name: str, title: str) -> tuple[Line, ...]:
    return (
        Line(
            name,
            title,
            "share",
            "too long",
            "too short",
            usual=0.025,
            good=0.015,
            of="of the length",
            kinds=("part",),
        ),
    )


class Half(PartOf):
    """The half."""

    name, title, share, said = "half", "Half of a length", 1 / 2, "half"
    trains = "Halves are what the eye trusts most: a half found by eye needs no stick."
    lines = _line(name, title)


class Third(PartOf):
    """The third."""

    name, title, share, said = "third", "Third of a length", 1 / 3, "a third"
    trains = "Thirds part faces and façades; eyes make them too large."
    lines = _line(name, title)


class Quarter(PartOf):
    """The quarter."""

    name, title, share, said = "quarter", "Quarter of a length", 1 / 4, "a quarter"
    trains = "A quarter is half of a half: halve twice, and trust it."
    lines = _line(name, title)
