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


MONTH_DAYS = 28.0
MOST_MONTHS = 24
FEWEST_IN_A_MONTH = 8


@dataclass(frozen=True, slots=True)
class Month:
    """What the eye erred by over four weeks from a day on, bias and all, with its sd."""

    day: float
    error: float
    sd: float


def months(trials: Sequence[Trial], usual: float | None = None) -> list[Month]:
    """The error of each four weeks by themselves, counted back from the last trial, the earliest
    first; none of those with too few trials."""
    if not trials:
        return []
    last = max(each.day for each in trials)
    made = []
    for number in reversed(range(MOST_MONTHS)):
        end = last - MONTH_DAYS * number
        own = [each for each in trials if end - MONTH_DAYS < each.day <= end]
        eye = read_eye(own, usual) if len(own) >= FEWEST_IN_A_MONTH else None
        if eye is None or eye.error is None or eye.spread is None:
            continue
        error = eye.spread if own[0].choice else eye.error
        made.append(Month(end - MONTH_DAYS, error, eye.spread_sd or 0.0))
    return made
