"""How hard the next trial is: steps that follow the eye up, and back after misses.

*Answers that are set.* An exercise is posed at steps from 1 to HARDEST. A hit is an answer within
HIT times what is good enough to draw by. A hit goes up by UP, a miss back by DOWN: with DOWN three
times UP the step settles where three of four are hits (C. Kaernbach 1991, *Simple adaptive testing
with the weighted up-down method*, Perception & Psychophysics 49), which is where the eye's own
spread at that step is just what is good enough. Every other trial is posed plainly, at no step:
by those the record is kept, since an eye that is asked harder things errs by more and is none the
worse.

*Forced choices.* What teaches is a difference of which seven to eight of ten are seen; what
measures is larger (see `choices`). Every third is shown to measure, the others to teach.
"""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from zirkel.core.practice.choices import chance_seen, next_difference
from zirkel.core.practice.exercises.base import HARDEST, Line
from zirkel.core.practice.trials import Trial

UP, DOWN = 0.25, 0.75
HIT = 1.15
"""A normal error is within so many of its standard deviations three times of four."""

SEEN = 0.75
TO_MEASURE = 3
PLAIN_OF = 2

LATEST_CHOICES = 64
"""Trials that the next forced choice is chosen by: an eye changes, and older ones tell less."""

SMALLEST, LARGEST = 0.05, 5.0
HALVINGS = 30


def next_level(line: Line, trials: Sequence[Trial]) -> float | None:
    """The difference, or the step, of the next trial of a line of the record, after those that were
    (in the order of time); None for one that is posed plainly."""
    if line.choice:
        return _difference(line, trials[-LATEST_CHOICES:])
    return None if len(_answers(trials)) % PLAIN_OF == 0 else float(step(line, trials))


def step(line: Line, trials: Sequence[Trial]) -> int:
    """The step that the answers so far have come to."""
    return int(np.clip(round(_reached(line, trials)), 1, HARDEST))


def _reached(line: Line, trials: Sequence[Trial]) -> float:
    at = 1.0
    for each in _answers(trials):
        if each[0].step:
            error = float(np.sqrt(np.mean([one.error**2 for one in each])))
            hit = error <= HIT * line.good_enough
            at = float(np.clip(at + (UP if hit else -DOWN), 1.0, HARDEST))
    return at


def _answers(trials: Sequence[Trial]) -> list[list[Trial]]:
    """The trials of each answer: one that places many points adds many, at one moment."""
    found: dict[float, list[Trial]] = {}
    for each in trials:
        found.setdefault(each.day, []).append(each)
    return list(found.values())


def _difference(line: Line, trials: Sequence[Trial]) -> float:
    if len(trials) < FEWEST_TO_TEACH or len(trials) % TO_MEASURE == 0:
        return next_difference(trials, line.usual)
    return teaching_difference(trials, line.usual)


FEWEST_TO_TEACH = 6


def teaching_difference(trials: Sequence[Trial], usual: float) -> float:
    """The difference, of either sign, that is seen SEEN of the time, as far as the choices tell."""
    chance = chance_seen(trials, usual)
    low, high = np.log(SMALLEST * usual), np.log(LARGEST * usual)
    for _ in range(HALVINGS):
        middle = (low + high) / 2.0
        low, high = (middle, high) if chance(float(np.exp(middle))) < SEEN else (low, middle)
    return float(np.exp((low + high) / 2.0))
