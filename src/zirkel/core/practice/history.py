"""How an eye went over time: what the trials up to each day said, for drawing."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from zirkel.core.practice.estimate import read_eye
from zirkel.core.practice.trials import Trial

LOOKED_BACK = 40
"""Trials, the latest up to a day, that its estimate rests on."""

MOST_DAYS = 60


@dataclass(frozen=True, slots=True)
class Standing:
    """Bias and spread with their sd, from the trials up to a day: the first `upto` of all."""

    upto: int
    bias: float
    bias_sd: float
    spread: float
    spread_sd: float


def history(trials: Sequence[Trial], usual: float | None = None) -> list[Standing]:
    """One standing for each day on which there were trials, the latest days; none while too little
    is known."""
    own = sorted(trials, key=lambda each: each.day)
    days = sorted({int(each.day) for each in own})[-MOST_DAYS:]
    made = []
    for day in days:
        count = sum(each.day < day + 1 for each in own)
        until = own[max(count - LOOKED_BACK, 0) : count]
        eye = read_eye(until, usual)
        if eye.bias is not None and eye.spread is not None:
            made.append(
                Standing(
                    count, eye.bias, eye.bias_sd or 0.0, eye.spread,
                         eye.spread_sd or 0.0)
            )  # fmt: skip
    return made
