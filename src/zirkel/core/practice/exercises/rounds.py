"""How round an ellipse is."""

from __future__ import annotations

import numpy as np

from zirkel.core.practice.board import Posed, Way, ellipse, line
from zirkel.core.practice.exercises.base import Exercise, Line, Scenes, graded

TALL = 0.56
AWAY = (0.9, 2.0)
"""How far the eye is from the jar's axis, in widths of the board."""


class Roundness(Exercise):
    """The rim of a jar, drawn again at another size."""

    name, title = "roundness", "How round the rim is"
    trains = "Rims are drawn as round as they are known to be, not as flat as they are seen."
    lines = (Line("roundness", title, "relative", "too round", "too flat", usual=0.08, good=0.05),)

    def pose(self, rng: np.random.Generator, level: float, scenes: Scenes) -> Posed:
        """A jar on the left; the rim alone is to be drawn again."""
        truth = float(rng.uniform(graded(level, 0.1, 0.4, 0.08), graded(level, 0.75, 0.75, 0.25)))
        half = float(rng.uniform(0.08, 0.17))
        x, y = 0.27, 0.07 + half * truth
        # The eye is truth * away above the rim; what stands lower under it is rounder.
        away = float(rng.uniform(*AWAY))
        room = (TALL - 0.05 - half * (truth - y / away)) / (1.0 + half / away)
        foot = min(y + float(rng.uniform(0.12, 0.3)), room)
        below = truth + (foot - y) / away
        width = 2.0 * float(rng.uniform(0.09, 0.19))
        left, bottom = 0.76 - width / 2.0, TALL / 2.0 + width * truth / 2.0 + 0.02
        bottom = min(bottom + float(rng.uniform(-0.04, 0.04)), TALL - 0.05)
        return Posed(
            asks="Make this rim as round as the jar's.", tall=TALL,
            pieces=(
                ellipse((x, foot), (half, half * below), look="faint"),
                line((x - half, y), (x - half, foot)), line((x + half, y), (x + half, foot)),
                ellipse((x, y), (half, half * truth), look="heavy"),
            ),
            way=Way("stretch", ((left, bottom), (left + width, bottom)), high=1.05,
                    shape="ellipse"),
            truth=(truth,),
            laid_over=(
                ellipse((0.76, bottom - width * truth / 2.0), (width / 2.0, width * truth / 2.0),
                        look="truth"),
            ),
        )  # fmt: skip
