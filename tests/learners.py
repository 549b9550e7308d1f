"""Simulated learners: what is practised every day for a month, as Zirkel chooses it."""

from __future__ import annotations

import math
from collections import Counter
from dataclasses import dataclass, field

import numpy as np

from zirkel.core.practice.estimate import read_record
from zirkel.core.practice.exercises import EXERCISES, LINES
from zirkel.core.practice.exercises.base import HARDEST, Line
from zirkel.core.practice.guesses import USUAL
from zirkel.core.practice.steps import HIT, LATEST_CHOICES, next_level, teaching_difference
from zirkel.core.practice.today import todays
from zirkel.core.practice.trials import Trial

HARDER = (1.0, 0.85, 1.0, 1.2, 1.45, 1.75)
"""How much further answers scatter at each step than posed plainly."""

SLIP = 8.0
UNLIKE = 0.35
"""How unlike an eye is from exercise to exercise, one standard deviation of ln(spread)."""


@dataclass(frozen=True)
class Learner:
    """Spread in usual errors at the beginning, its change a week, and the share of slips."""

    spread: float
    per_week: float = 0.0
    slips: float = 0.01


LEARNERS = {
    "quick": Learner(1.3, -0.12),
    "slow": Learner(1.3, -0.04),
    "plateau": Learner(0.8),
    "careless": Learner(1.0, 0.0, 0.08),
}


@dataclass
class Month:
    """What came of it: all trials, how often each exercise was chosen, its own spreads."""

    learner: Learner
    trials: list[Trial] = field(default_factory=list)
    chosen: Counter[str] = field(default_factory=Counter)
    own: dict[str, float] = field(default_factory=dict)

    def spread(self, line: Line, day: float) -> float:
        """What the eye errs by in a line on a day, posed plainly."""
        changed = math.exp(self.learner.per_week * day / 7.0)
        return self.own[line.name] * self.learner.spread * line.usual * changed

    def of(self, line: Line) -> list[Trial]:
        """The trials of one line."""
        return [each for each in self.trials if each.exercise == line.name]


def month(learner: Learner, seed: int, days: int = 30) -> Month:
    """So many days of practice."""
    rng = np.random.default_rng(seed)
    made = Month(learner)
    made.own = {name: float(np.exp(rng.normal(0.0, UNLIKE))) for name in LINES}
    for day in range(days):
        eyes = read_record(made.trials, USUAL)
        for drill in todays(eyes, made.trials, float(day)):
            made.chosen[drill.exercise.name] += drill.trials
            for _ in range(drill.trials):
                level = next_level(drill.exercise.lines[0], made.of(drill.exercise.lines[0]))
                for line in drill.exercise.lines:
                    moment = day + 1e-6 * len(made.trials)
                    made.trials.append(_answer(made, line, level, moment, rng))
    return made


def _answer(
    made: Month, line: Line, level: float | None, day: float, rng: np.random.Generator
) -> Trial:
    spread = made.spread(line, day)
    slips = rng.random() < made.learner.slips
    if line.choice:
        assert level is not None
        truth = level * float(rng.choice([-1.0, 1.0]))
        seen = rng.random() < 0.5 if slips else truth + rng.normal(0.0, spread) > 0.0
        return Trial(line.name, line.measure, day, truth, level if seen else -level, 3.0, True)
    step = 0 if level is None else int(level)
    error = float(rng.normal(0.0, spread * HARDER[step] * (SLIP if slips else 1.0)))
    answer = 1.0 + error
    return Trial(line.name, line.measure, day, 1.0, answer, 5.0, False, step)


def ratios(made: Month) -> dict[str, float]:
    """By exercise that was practised enough: where it is posed at the end, over where this eye
    hits three of four."""
    found = {}
    for name, exercise in EXERCISES.items():
        line = exercise.lines[0]
        own = made.of(line)
        if not own:
            continue
        # What is not practised isn't followed: the eye as it was when it was last asked.
        spread = made.spread(line, own[-1].day)
        if line.choice and len(own) >= 40:
            found[name] = teaching_difference(own[-LATEST_CHOICES:], line.usual) / (0.6745 * spread)
        stepped = [HARDER[each.step] for each in own if each.step]
        if len(stepped) >= 20:
            aim = HIT * line.good_enough / (1.1503 * spread)
            aim = min(max(aim, HARDER[1]), HARDER[HARDEST])
            found[name] = float(np.mean(stepped[-10:])) / aim
    return found
