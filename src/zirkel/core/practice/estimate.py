"""Bias apart from spread, and whether the spread changes, without believing lapses.

Errors x at times w (weeks, 0 the latest) are normal about the bias b with standard deviation
sigma = exp(s + r w), but for a share of lapses, spread LAPSE times as wide. By expectation and
maximization (A. Dempster, N. Laird, D. Rubin 1977) every error gets the chance p of being no
lapse, and

    b = sum(p x / sigma^2) / sum(p / sigma^2),   s, r: sum p ((x - b)^2 / sigma^2 - 1) (1, w) = 0,

by Newton's steps; errors of b and of (s, r) follow from the information, 1 / sum(p / sigma^2) and
(2 sum p (1, w)(1, w)')^-1. With few trials an interval of 1.96 sd would hold too seldom: sd of the
bias is widened by Student's t.

Without a verdict the spread is that of all trials; with one, as it is now.
"""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np
from scipy.special import stdtrit

from zirkel.core.arrays import Array, Indices
from zirkel.core.practice.choices import read_choices
from zirkel.core.practice.days import LEAST_SURE, ByDay, by_day
from zirkel.core.practice.eye import (
    FEWEST,
    NO_CHANGE_KNOWN,
    SHORTEST_WEEKS,
    UNKNOWN,
    Eye,
    judged,
)
from zirkel.core.practice.trials import Trial

LAPSE, USUAL_LAPSES, LAPSE_WEIGHT = 8.0, 0.01, 60.0
"""How much wider lapses spread, and how many are expected, as if seen in so many trials."""

ROUNDS, SETTLED = 200, 1e-9
KEPT = 0.3
FEWEST_SPREAD = 4
NORMAL_95 = 1.959964
FLOOR = 1e-9


def read_eye(trials: Sequence[Trial], usual: float | None = None) -> Eye:
    """The trials of one exercise, at least one, in any order. Where some are forced choices, only
    those count: an exercise is the one or the other; `usual` is what eyes usually err in it."""
    chosen = [each for each in trials if each.choice]
    return read_choices(chosen, usual) if chosen else _read_answers(trials)


def _read_answers(trials: Sequence[Trial]) -> Eye:
    """Answers that were set."""
    first = trials[0]
    x = np.array([each.error for each in trials])
    days = np.array([each.day for each in trials])
    w = (days - days.max()) / 7.0
    n = len(x)
    if n < FEWEST_SPREAD:
        return Eye(first.exercise, first.measure, n, None, None, None, None, 0.0, NO_CHANGE_KNOWN)
    level = _fit(x, np.zeros_like(w))
    day = np.floor(days).astype(int)
    change = NO_CHANGE_KNOWN
    told, mooded = level, _by_day(x, np.zeros_like(w), day, level)
    varies = math.exp(level.level) > 10.0 * FLOOR
    if n >= FEWEST and float(np.ptp(w)) >= SHORTEST_WEEKS and varies:
        sloped = _fit(x, w)
        own = _by_day(x, w, day, sloped)
        # What lapses cost is known without days; what days cost is known without lapses.
        unsure = float(np.sqrt(sloped.shape[1, 1] / sloped.complete[1, 1]))
        change = judged(own.slope, own.slope_sd * unsure, own.slope_freedom)
        if change.verdict != UNKNOWN:
            told, mooded = sloped, own
    effective = max(float(told.sure.sum()), 2.0)
    widened = float(stdtrit(max(mooded.bias_freedom, 1.0), 0.975)) / NORMAL_95
    # A standard deviation from n trials comes out small by about 1 / (4 n).
    small = math.sqrt(effective / (effective - 1.0)) * (1.0 + 1.0 / (4.0 * (effective - 1.0)))
    spread = math.exp(told.level) * small
    unsure = float(np.sqrt(told.shape[0, 0] / told.complete[0, 0]))
    return Eye(
        first.exercise, first.measure, n,
        mooded.bias, widened * mooded.bias_sd * small,
        spread, spread * mooded.level_sd * unsure,
        1.0 - float(told.sure.mean()), change,
    )  # fmt: skip


def _by_day(x: Array, w: Array, day: Indices, fitted: _Fitted) -> ByDay:
    if not math.exp(fitted.level) > 10.0 * FLOOR or not (fitted.sure > LEAST_SURE).any():
        # Every answer the same: no day has a mood.
        sd, free = float(np.sqrt(fitted.complete[0, 0])), len(x) - 1.0
        return ByDay(fitted.bias, fitted.bias_sd, free, fitted.level, sd, 0.0, math.inf, free)
    return by_day(x, w, day, fitted.sure, (fitted.bias, fitted.level, fitted.slope))


@dataclass(frozen=True, slots=True)
class _Fitted:
    bias: float
    bias_sd: float
    level: float
    slope: float
    shape: Array
    """(2, 2) covariance of level and slope."""
    complete: Array
    """(2, 2) the same if it were known which are lapses."""
    sure: Array
    """(n,) the chance of each of being no lapse."""


def _fit(x: Array, w: Array) -> _Fitted:
    """`w` all 0 fits no slope."""
    sloped = bool(np.ptp(w) > 0)
    b = float(np.median(x))
    level = math.log(max(1.4826 * float(np.median(np.abs(x - b))), float(np.std(x)) / 10.0, FLOOR))
    slope, lapses = 0.0, USUAL_LAPSES
    terms = np.stack([np.ones_like(w), w], axis=1)
    for _ in range(ROUNDS):
        sigma = np.exp(level + slope * w)
        z = ((x - b) / sigma) ** 2
        right = (1.0 - lapses) * np.exp(-0.5 * z)
        wrong = lapses / LAPSE * np.exp(-0.5 * z / LAPSE**2)
        sure = right / np.maximum(right + wrong, 1e-300)
        # A lapse still says a little of where the bias is.
        weight = (sure + (1.0 - sure) / LAPSE**2) / sigma**2
        before = b, level, slope
        b = float((weight * x).sum() / weight.sum())
        pulled = sure + (1.0 - sure)
        excess = (sure + (1.0 - sure) / LAPSE**2) * ((x - b) / sigma) ** 2 - pulled
        gradient = terms.T @ excess
        bend = 2.0 * (terms * (excess + pulled)[:, None]).T @ terms
        if sloped:
            step = np.linalg.solve(bend + 1e-9 * np.eye(2), gradient)
        else:
            step = np.array([gradient[0] / max(float(bend[0, 0]), 1e-12), 0.0])
        step = np.clip(step, -0.5, 0.5)
        level, slope = level + float(step[0]), slope + float(step[1])
        level = max(level, math.log(FLOOR))
        lapses = float(((1.0 - sure).sum() + USUAL_LAPSES * LAPSE_WEIGHT) / (len(x) + LAPSE_WEIGHT))
        if max(abs(b - before[0]), abs(level - before[1]), abs(slope - before[2])) < SETTLED:
            break
    sigma = np.exp(level + slope * w)
    information = _information(terms, sure, ((x - b) / sigma) ** 2)
    shape, complete = (
        _inverse(each, sloped) for each in (information, 2.0 * (terms * sure[:, None]).T @ terms)
    )
    weight = (sure + (1.0 - sure) / LAPSE**2) / sigma**2
    return _Fitted(b, float(weight.sum() ** -0.5), level, slope, shape, complete, sure)


def _inverse(information: Array, sloped: bool) -> Array:
    """The covariance of level and slope; without a slope, of the level alone."""
    if sloped:
        return np.asarray(np.linalg.inv(information), dtype=float)
    return np.array([[1.0 / max(float(information[0, 0]), 1e-12), 0.0], [0.0, 1.0]])


def _information(terms: Array, sure: Array, squares: Array) -> Array:
    """What the errors tell of level and slope, (2, 2): what they would tell if it were known which
    are lapses, less what not knowing it costs (T. Louis 1982, *Finding the observed information
    matrix when using the EM algorithm*), but never less than KEPT of it."""
    complete = 2.0 * (terms * sure[:, None]).T @ terms
    unsure = sure * (1.0 - sure) * (squares * (1.0 - LAPSE**-2.0)) ** 2
    missing = (terms * unsure[:, None]).T @ terms
    # In the axes in which the complete information is one, for as far as it has any.
    values, vectors = np.linalg.eigh(complete)
    root = vectors * np.sqrt(np.maximum(values, FLOOR))
    inverse = vectors / np.sqrt(np.maximum(values, FLOOR))
    shares, axes = np.linalg.eigh(inverse.T @ missing @ inverse)
    kept = np.maximum(1.0 - shares, KEPT)
    made: Array = root @ (axes * kept) @ axes.T @ root.T
    return made


def read_record(
    trials: Sequence[Trial], usual: Mapping[str, float] | None = None
) -> dict[str, Eye]:
    """Each exercise's own, in the order in which they first came, by the trials that were posed
    plainly; `usual` as for `read_eye`, of the exercises of which it is known."""
    held: dict[str, list[Trial]] = {}
    for each in trials:
        if not each.step:
            held.setdefault(each.exercise, []).append(each)
    known = usual or {}
    return {name: read_eye(own, known.get(name)) for name, own in held.items()}
