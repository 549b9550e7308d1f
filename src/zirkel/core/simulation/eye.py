"""A simulated eye: trials as an artist would give them who errs by a bias and a spread, betters or
not, and slips now and then."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from zirkel.core.practice.exercises.base import Line
from zirkel.core.practice.trials import Trial

SLIP = 8.0
"""How much wider a slip spreads."""


@dataclass(frozen=True, slots=True)
class SimulatedEye:
    """Bias and spread at the end, in the measure's own unit; the change of ln(spread) per week; the
    share of slips; seconds an answer takes."""

    bias: float
    spread: float
    per_week: float = 0.0
    slips: float = 0.02
    seconds: float = 5.0


def answers(
    eye: SimulatedEye, line: Line, truths: Sequence[float], days: Sequence[float],
    rng: np.random.Generator,
) -> list[Trial]:  # fmt: skip
    """One trial for each truth, on its day; a forced choice's truth is the difference shown."""
    end = max(days)
    made = []
    for truth, day in zip(truths, days, strict=True):
        spread = eye.spread * float(np.exp(eye.per_week * (day - end) / 7.0))
        slip = rng.random() < eye.slips
        error = eye.bias + (SLIP if slip and not line.choice else 1.0) * float(
            rng.normal(0.0, spread)
        )
        if line.choice:
            seen = rng.random() < 0.5 if slip else truth + error > 0.0
            answer = abs(truth) if seen else -abs(truth)
        else:
            answer = truth * (1.0 + error) if line.measure == "relative" else truth + error
        seconds = round(float(eye.seconds * np.exp(rng.normal(0.0, 0.3))), 1)
        made.append(Trial(line.name, line.measure, day, truth, answer, seconds, line.choice))
    return made
