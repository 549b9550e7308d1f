"""Straight under, and level with: the plumb line and the level, by eye."""

from __future__ import annotations

import math
from collections.abc import Sequence
from typing import ClassVar

import numpy as np

from zirkel.core.practice.board import Posed, Spot, Way, dot, line
from zirkel.core.practice.exercises.base import (
    Exercise,
    Line,
    Outcome,
    Scenes,
    distractors,
    graded,
)
from zirkel.core.practice.looks import look_at

TALL = 0.7
LEAST = 0.2


class Straight(Exercise):
    """A mark here; where is its plumb, or its level, on a line there? Counted in degrees off it,
    as seen from the mark. `axis` is 0 for the plumb."""

    axis: ClassVar[int]
    asked: ClassVar[str]

    def pose(self, rng: np.random.Generator, level: float, scenes: Scenes) -> Posed:
        """A landmark of a scene, or a mark on bare paper."""
        picture, name, at = None, "the mark", self._anywhere(rng)
        if rng.random() < 0.5:
            look = look_at(scenes, rng, (0.16, 0.08, 0.84, TALL - 0.08))
            chosen = str(rng.choice(sorted(look.places)))
            picture, name, at = look.picture, look.names[chosen], look.places[chosen]
        far = self._far(rng, at, level)
        away = far - at[1 - self.axis]
        span = 0.34 * abs(away) + 0.05
        about = at[self.axis] + float(rng.uniform(-0.4, 0.4)) * span
        ends = [float(np.clip(about + s * span, 0.01, self._most() - 0.01)) for s in (-1, 1)]
        a, b = self._spot(ends[0], far), self._spot(ends[1], far)
        true = (at[self.axis] - ends[0]) / (ends[1] - ends[0])
        target = self._spot(at[self.axis], far)
        return Posed(
            asks=f"{self.asked} {f'“{name}”' if ',' in name else name}: where on the dashed line?",
            tall=TALL,
            pieces=(*distractors(rng, level, TALL), line(a, b, look="faint"), dot(at, "heavy")),
            way=Way("along", (a, b)), truth=(true,),
            laid_over=(line(at, target, look="truth"), dot(target, "truth")),
            picture=picture, scale=(ends[1] - ends[0]) / abs(away),
        )  # fmt: skip

    def outcomes(self, posed: Posed, answer: Sequence[float]) -> list[Outcome]:
        """Degrees off the plumb or level, as seen from the mark."""
        off = math.degrees(math.atan((answer[0] - posed.truth[0]) * posed.scale))
        return [Outcome(self.lines[0], 0.0, off)]

    def _most(self) -> float:
        return 1.0 if self.axis == 0 else TALL

    def _spot(self, along: float, far: float) -> Spot:
        return (along, far) if self.axis == 0 else (far, along)

    def _anywhere(self, rng: np.random.Generator) -> Spot:
        return float(rng.uniform(0.25, 0.75)), float(rng.uniform(0.15, TALL - 0.15))

    def _far(self, rng: np.random.Generator, at: Spot, level: float) -> float:
        most = TALL if self.axis == 0 else 1.0
        here = at[1 - self.axis]
        below, above = most - 0.04 - here, here - 0.04
        room, sign = (below, 1.0) if below >= above else (above, -1.0)
        # What is near is easily dropped on; what is far across is not.
        least = graded(level, LEAST, 0.1, 0.45)
        most_far = max(graded(level, room, 0.2, room), min(least, room))
        return here + sign * float(rng.uniform(min(least, room), min(most_far, room)))


PER_DEGREE = 300.0 * math.radians(1.0)


class StraightUnder(Straight):
    """The plumb."""

    name, title, axis, asked = "plumb", "Straight under", 0, "Straight under or over"
    trains = "The plumb is the one line that never lies: most block-ins are held by three of them."
    lines = (
        Line("plumb", title, "degrees", "too far right", "too far left", usual=1.5, good=1.0,
             worth_mm=PER_DEGREE, kinds=("drop",)),
    )  # fmt: skip


class LevelWith(Straight):
    """The level."""

    name, title, axis, asked = "level", "Level with", 1, "Level with"
    trains = "What is level with what: the quickest check across a whole drawing."
    lines = (
        Line("level", title, "degrees", "too low", "too high", usual=1.5, good=1.0,
             worth_mm=PER_DEGREE, kinds=("level",)),
    )  # fmt: skip
