"""How far a head is turned."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

import numpy as np

from zirkel.core.practice.board import Picture, Posed, Way, line
from zirkel.core.practice.exercises.base import Exercise, Line, Outcome, Scenes, graded
from zirkel.core.subject.picture import box_of

TALL = 0.56
HEAD = "study_head"
MOST_DEG = 60.0
STEPS_DEG = 5.0
"""Turns are whole steps, so that few pictures are drawn; the eye sees less than one."""


class HeadTurned(Exercise):
    """The head of planes, from somewhere round it."""

    name, title = "head_turned", "How far is the head turned"
    trains = "The turn of a head is set before any feature: drawn too little, the face is flat."
    lines = (
        Line("head_turned", title, "degrees", "too far to the right", "too far to the left",
             usual=8.0, good=5.0, worth_mm=2.0),
    )  # fmt: skip
    seconds = 8.0

    def pose(self, rng: np.random.Generator, level: float, scenes: Scenes) -> Posed:
        """Its nose to the right of its middle is a turn to the right."""
        scene = scenes[HEAD]
        most = graded(level, MOST_DEG, 30.0, MOST_DEG)
        steps = round(most / STEPS_DEG)
        truth = STEPS_DEG * float(rng.integers(-steps, steps + 1))
        station = replace(scene.station, direction_deg=truth)
        left, top, right, bottom = box_of(scene, station)
        size = min(0.6 / (right - left), (TALL - 0.1) / (bottom - top)) * graded(
            level, 1.0, 1.0, 0.4
        )
        wide, high = size * (right - left) / 2.0, size * (bottom - top) / 2.0
        middle = (0.5 + float(rng.uniform(-0.08, 0.08)), TALL / 2.0)
        lean = middle[0] + truth / MOST_DEG * 0.12
        return Posed(
            asks="How many degrees is the head turned from you? Below 0: to the left.", tall=TALL,
            pieces=(line((0.5, TALL - 0.02), (0.5, TALL - 0.01), look="faint"),),
            way=Way("scale", low=-75.0, high=75.0), truth=(truth,),
            laid_over=(line((middle[0], TALL - 0.02), (lean, TALL - 0.02), look="truth"),),
            picture=Picture(
                HEAD, station,
                (middle[0] - wide, middle[1] - high, middle[0] + wide, middle[1] + high),
            ),
        )  # fmt: skip

    def outcomes(self, posed: Posed, answer: Sequence[float]) -> list[Outcome]:
        """Degrees, folded to none: nobody is wrong by half a turn."""
        off = float(np.clip(answer[0] - posed.truth[0], -89.0, 89.0))
        return [Outcome(self.lines[0], 0.0, off)]
