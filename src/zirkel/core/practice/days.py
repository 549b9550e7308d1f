"""Good days and bad days: the trials of one day share the day's mood, in bias and in spread.

On day d an eye errs about b + u_d with standard deviation exp(s + r w + v_d); u_d and v_d are
normal about nothing, with standard deviations tau and omega. Twenty trials of one day tell less of
an eye than twenty of twenty days, and a mood is no change.

tau^2 is what the days' means differ by beyond what their trials leave open (R. DerSimonian and
N. Laird 1986), and b their mean, weighted by 1 / (tau^2 + sigma^2 / n_d). Each day's own mean is
then drawn towards b by as much as it is unsure, and taken off its errors; of its n_d trials that
uses up k_d = tau^2 / (tau^2 + sigma^2 / n_d). With z the errors left in their standard deviations
and J_d = 2 (n_d - k_d) what a day tells of ln sigma,

    y_d = s + r w_d + (n_d / (n_d - k_d) mean(z^2) - 1) / 2,   var y_d = 1 / J_d + omega^2,

is regressed on w; that is repeated with the new s and r until nothing moves (penalized
quasi-likelihood: N. Breslow and D. Clayton 1993), omega^2 being such that the squares left,
weighted, come to their expectation.
"""

from __future__ import annotations

import math
from dataclasses import dataclass

import numpy as np

from zirkel.core.arrays import Array, Indices

ROUNDS, SETTLED = 40, 1e-5
FEWEST_DAYS = 4
"""Days below which their moods can't be told from their trials'."""

FURTHEST = 5.0
"""How far, in ln, the spread within days may lie below that of all trials."""

LEAST_SURE, FAR = 0.5, 30.0
"""From when on a trial counts as no lapse; how many standard deviations off is far enough."""

MOST_OMEGA, TINY = 1.5, 1e-9


@dataclass(frozen=True, slots=True)
class ByDay:
    """Bias with its sd, ln spread (moods of the bias included) and slope per week with theirs, and
    of how many degrees of freedom the two sd are."""

    bias: float
    bias_sd: float
    bias_freedom: float
    level: float
    level_sd: float
    slope: float
    slope_sd: float
    slope_freedom: float


def by_day(
    x: Array, weeks: Array, days: Indices, sure: Array, start: tuple[float, float, float]
) -> ByDay:
    """Errors x (n,) at times in weeks (n,), 0 the latest, on numbered days (n,); `sure` (n,) the
    chance of each of being no lapse; `start` bias, ln spread and slope without days."""
    # A day of nothing but lapses tells nothing.
    known = np.isin(days, days[sure > LEAST_SURE])
    x, weeks, sure = x[known], weeks[known], sure[known]
    _, day = np.unique(days[known], return_inverse=True)
    count = int(day.max()) + 1
    n = np.bincount(day, weights=sure, minlength=count)
    w = np.bincount(day, weights=sure * weeks, minlength=count) / n
    b, level, slope = start
    least = level - FURTHEST
    sloped = bool(np.ptp(weeks) > 0)
    terms = np.column_stack([np.ones(count), w])[:, : 1 + sloped]
    mean = np.bincount(day, weights=sure * x, minlength=count) / n
    omega2, cover = 0.0, np.eye(terms.shape[1])
    tau2, spare = 0.0, np.zeros(count)
    for _ in range(ROUNDS):
        before = b, level, slope
        sigma2 = np.exp(2.0 * (level + slope * w))
        b, tau2 = _bias(mean, sigma2 / n)
        k = tau2 / (tau2 + sigma2 / n)
        left = x - b - (k * (mean - b))[day]
        spare = np.maximum(n - k, 0.25 * n)
        z2 = np.minimum(left**2 / sigma2[day], FAR**2)
        squares = np.bincount(day, weights=sure * z2, minlength=count)
        moved = (squares / spare - 1.0) / 2.0
        y = level + slope * w + np.clip(moved, -0.45, 2.0)
        told = 1.0 / (2.0 * spare)
        omega2 = _between(y, terms, told)
        weight = 1.0 / (told + omega2)
        cover = np.linalg.inv(terms.T @ (terms * weight[:, None]) + TINY * np.eye(terms.shape[1]))
        made = cover @ (terms.T @ (weight * y))
        level = max(level + float(np.clip(made[0] - level, -0.7, 0.7)), least)
        slope += float(np.clip(made[1] - slope, -0.7, 0.7)) if sloped else 0.0
        if max(abs(b - before[0]), abs(level - before[1]), abs(slope - before[2])) < SETTLED:
            break
    sigma2 = np.exp(2.0 * (level + slope * w))
    alone = sigma2 / n
    weight = 1.0 / (tau2 + alone)
    mood, moody = float(np.mean(tau2 / (tau2 + alone))), float(np.mean(omega2 / (omega2 + 0.5 / n)))
    trials = float(n.sum())
    return ByDay(
        bias=b,
        bias_sd=float(weight.sum() ** -0.5),
        bias_freedom=_freedom(mood, count - 1.0, trials - 1.0),
        level=0.5 * math.log(math.exp(2.0 * (level + omega2)) + tau2),
        level_sd=float(np.sqrt(cover[0, 0])),
        slope=slope,
        slope_sd=float(np.sqrt(cover[1, 1])) if sloped else math.inf,
        slope_freedom=_freedom(moody, count - 2.0, trials - 3.0),
    )


def _bias(mean: Array, alone: Array) -> tuple[float, float]:
    """The mean over days, and what they differ by beyond what each leaves open, squared."""
    weight = 1.0 / alone
    plain = float((weight * mean).sum() / weight.sum())
    if len(mean) < FEWEST_DAYS:
        return plain, 0.0
    q = float((weight * (mean - plain) ** 2).sum())
    scale = float(weight.sum() - (weight**2).sum() / weight.sum())
    tau2 = max(0.0, (q - (len(mean) - 1.0)) / scale)
    weight = 1.0 / (tau2 + alone)
    return float((weight * mean).sum() / weight.sum()), tau2


def _between(y: Array, terms: Array, alone: Array) -> float:
    """omega^2: by what the days differ from the line beyond what each leaves open."""
    free = len(y) - terms.shape[1]
    if len(y) < FEWEST_DAYS or free < 1:
        return 0.0

    def excess(between: float) -> float:
        weight = 1.0 / (alone + between)
        told = terms.T * weight
        made = np.linalg.solve(told @ terms + TINY * np.eye(terms.shape[1]), told @ y)
        return float((weight * (y - terms @ made) ** 2).sum()) - free

    if excess(0.0) <= 0.0:
        return 0.0
    low, high = 0.0, MOST_OMEGA**2
    for _ in range(24):
        middle = 0.5 * (low + high)
        low, high = (middle, high) if excess(middle) > 0.0 else (low, middle)
    return 0.5 * (low + high)


def _freedom(mood: float, days: float, trials: float) -> float:
    """Degrees of freedom of a variance that is by that share the days' and else the trials'."""
    days, trials = max(days, 1.0), max(trials, 1.0)
    return 1.0 / (mood**2 / days + (1.0 - mood) ** 2 / trials)
