"""Tones: which is darker, and by how many steps."""

from __future__ import annotations

import numpy as np

from zirkel.core.practice.board import Piece, Posed, Way, area
from zirkel.core.practice.exercises.base import HARDEST, Choice, Exercise, Line, Scenes, signed

TALL = 0.5
PER_STEP = 10.0
LIGHTEST, DARKEST = 1.5, 8.5


def _patches(
    rng: np.random.Generator, left: float, right: float, level: float = 0.0
) -> tuple[Piece, ...]:
    """Two patches on grounds of their own, since a tone is never seen alone: at the first steps
    nearly alike, at the last ones as unlike as they can be."""
    grounds = rng.uniform(LIGHTEST, DARKEST, 2)
    if level:
        apart = (level - 1.0) / (HARDEST - 1.0) * (DARKEST - LIGHTEST) * rng.choice([-1.0, 1.0])
        grounds = np.array([5.0 - apart / 2.0, 5.0 + apart / 2.0])
    made = []
    for x, tone, ground in ((0.06, left, grounds[0]), (0.52, right, grounds[1])):
        made.append(area((x, 0.05), (x + 0.42, 0.05), (x + 0.42, 0.45), (x, 0.45),
                         tone=float(ground)))  # fmt: skip
        made.append(area((x + 0.12, 0.15), (x + 0.3, 0.15), (x + 0.3, 0.35), (x + 0.12, 0.35),
                         tone=tone))  # fmt: skip
    return tuple(made)


def _together(left: float, right: float) -> tuple[Piece, ...]:
    """Both tones side by side without their grounds."""
    return (
        area((0.4, 0.16), (0.5, 0.16), (0.5, 0.34), (0.4, 0.34), tone=left),
        area((0.5, 0.16), (0.6, 0.16), (0.6, 0.34), (0.5, 0.34), tone=right),
    )


class Darker(Choice):
    """Two patches, one a little darker."""

    name, title = "darker", "Which tone is darker"
    trains = "A tone looks darker beside a light: squint, and compare across the ground."
    lines = (
        Line("darker", title, "steps", "the right one looks darker", "the left one looks darker",
             choice=True, usual=0.6, good=0.4, worth_mm=PER_STEP),
    )  # fmt: skip

    def pose(self, rng: np.random.Generator, level: float, scenes: Scenes) -> Posed:
        """`level` is by how many steps."""
        by = signed(rng, level)
        half = min(abs(by) / 2.0, 3.4)
        middle = float(rng.uniform(LIGHTEST + half, DARKEST - half))
        left, right = middle - by / 2.0, middle + by / 2.0
        return Posed(
            asks="Squint. Which of the inner patches is darker?", tall=TALL,
            pieces=_patches(rng, left, right),
            way=Way("choose", names=("The left one", "The right one")), truth=(by,),
            laid_over=_together(left, right),
        )  # fmt: skip


class ToneSteps(Exercise):
    """By how many steps of a grey card of nine."""

    name, title = "tone_steps", "By how many steps darker"
    trains = "The ladder of tones in the head: with it a plan of tones needs no grey card."
    lines = (
        Line("tone_steps", title, "steps", "too dark on the right",
             "too light on the right", usual=0.8, good=0.6, worth_mm=PER_STEP),
    )  # fmt: skip

    def pose(self, rng: np.random.Generator, level: float, scenes: Scenes) -> Posed:
        """From four steps lighter to four darker."""
        by = float(rng.uniform(-4.0, 4.0))
        middle = float(rng.uniform(LIGHTEST + 2.0, DARKEST - 2.0))
        left, right = middle - by / 2.0, middle + by / 2.0
        return Posed(
            asks="By how many steps of nine is the right inner patch darker, or lighter (below 0)?",
            tall=TALL, pieces=_patches(rng, left, right, level),
            way=Way("scale", low=-6.0, high=6.0),
            truth=(by,), laid_over=_together(left, right),
        )  # fmt: skip
