"""A tone against a card of nine steps."""

from __future__ import annotations

import numpy as np

from zirkel.core.practice.board import Posed, Way, area, line
from zirkel.core.practice.exercises.base import HARDEST, Exercise, Line, Scenes
from zirkel.core.practice.exercises.tones import PER_STEP

TALL = 0.5
STEPS = 9


class ToneCard(Exercise):
    """A patch on a ground, and the grey card of nine steps under it."""

    name, title = "tone_card", "Which step of the card"
    trains = "A card held up beside the subject: which of its nine steps it is."
    lines = (
        Line("tone_card", title, "steps", "too dark", "too light", usual=0.7, good=0.5,
             worth_mm=PER_STEP),
    )  # fmt: skip

    def pose(self, rng: np.random.Generator, level: float, scenes: Scenes) -> Posed:
        """The ground is as far from the patch as the step has it."""
        truth = float(rng.uniform(1.0, float(STEPS)))
        apart = float(rng.uniform(0.0, 5.0))
        if level:
            apart = 5.0 * (level - 1.0) / (HARDEST - 1.0)
        ground = truth + apart * (1.0 if truth < 5.0 else -1.0)
        wide = 0.88 / STEPS
        card = tuple(
            area((0.06 + k * wide, 0.34), (0.06 + (k + 1) * wide, 0.34),
                 (0.06 + (k + 1) * wide, 0.44), (0.06 + k * wide, 0.44), tone=float(k + 1))
            for k in range(STEPS)
        )  # fmt: skip
        at = 0.06 + (truth - 0.5) * wide
        return Posed(
            asks="Squint. Which step of the card is the inner patch, 1 light to 9 dark?",
            tall=TALL,
            pieces=(
                area((0.3, 0.03), (0.7, 0.03), (0.7, 0.3), (0.3, 0.3), tone=ground),
                area((0.43, 0.1), (0.57, 0.1), (0.57, 0.23), (0.43, 0.23), tone=truth),
                *card,
            ),
            way=Way("scale", low=0.5, high=STEPS + 0.5), truth=(truth,),
            laid_over=(
                area((at - 0.02, 0.36), (at + 0.02, 0.36), (at + 0.02, 0.42), (at - 0.02, 0.42),
                     tone=truth),
                line((at, 0.32), (at, 0.46), look="truth"),
            ),
        )  # fmt: skip
