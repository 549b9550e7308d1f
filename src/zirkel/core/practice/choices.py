"""Forced choices: what is shown next, and what the choices say of the eye.

Whoever must say which of two is more sees the difference d as d + b + noise, with bias b and
standard deviation sigma, and now and then answers without having looked:

    P(first chosen) = LAPSES / 2 + (1 - LAPSES) Phi((d + b) / sigma).

So the threshold has the same meaning as the spread of an answer that is set: what the eye's single
look is worth. b and ln(sigma) have a grid of values, each with its probability. What is shown next
is the difference after which the entropy of that grid is expected to be least (L. Kontsevich, C.
Tyler 1999, *Bayesian adaptive estimation of psychometric slope and threshold*, Vision Research 39;
after the QUEST staircase of A. Watson and D. Pelli 1983). No rule does better than the information
in the answers: with so many lapses the best difference is 1.45 sigma, where one answer brings 0.52
to the information on ln(sigma), so that 40 answers leave 22 % of sigma open, one standard
deviation; that eyes are known to be within USUAL_RANGE of one another makes it a little less.
"""

from __future__ import annotations

from collections.abc import Callable, Sequence

import numpy as np
from scipy.optimize import minimize
from scipy.special import log_ndtr, ndtr

from zirkel.core.arrays import Array
from zirkel.core.practice.eye import (
    FEWEST,
    NO_CHANGE_KNOWN,
    SHORTEST_WEEKS,
    UNKNOWN,
    Change,
    Eye,
    judged,
)
from zirkel.core.practice.trials import Trial

LAPSES = 0.02
FEWEST_CHOICES = 12
USUAL_RANGE = 0.7
"""How far eyes differ from one another, as a standard deviation of ln(sigma)."""

WIDE_RANGE = 1.5
USUAL_LEAN = 0.7
"""How far eyes lean to one side, one standard deviation, in usual errors."""

SHOWN = np.exp(np.linspace(np.log(0.1), np.log(5.0), 20))
"""Differences that may be shown, in usual errors."""

PLAIN = (2.5, 1.8)
"""The first ones, plain to most eyes, so that what is asked is understood."""


def _grid(scale: float, reach: float) -> tuple[Array, Array]:
    """(m,) biases and (k,) values of ln(sigma) about a scale."""
    return scale * np.linspace(-4.0, 4.0, 41), np.log(scale) + np.linspace(-reach, reach, 49)


def _chosen(d: Array, bias: Array, sigma: Array) -> Array:
    """Probability of choosing the first, all broadcast."""
    made: Array = LAPSES / 2.0 + (1.0 - LAPSES) * ndtr((d + bias) / sigma)
    return made


def _weights(differences: Array, first: Array, bias: Array, level: Array, prior: Array) -> Array:
    """(m, k) probability of each value after the choices: `differences` (n,), `first` (n,)."""
    log = prior.copy()
    sigma = np.exp(level)[None, :]
    # A record holds few different differences, shown again and again.
    shown, number = np.unique(differences, return_inverse=True)
    for at, d in enumerate(shown):
        p = _chosen(np.asarray(d), bias[:, None], sigma)
        ones = float(first[number == at].sum())
        log += ones * np.log(p) + (float((number == at).sum()) - ones) * np.log1p(-p)
    made: Array = np.exp(log - log.max())
    return made / made.sum()


def _prior(scale: float, bias: Array, level: Array, reach: float) -> Array:
    made: Array = (
        -0.5 * (bias[:, None] / (USUAL_LEAN * scale)) ** 2
        - 0.5 * ((level[None, :] - np.log(scale)) / reach) ** 2
    )
    return made


def next_difference(trials: Sequence[Trial], usual: float) -> float:
    """How large a difference, of either sign, is shown next: after it least is expected to be
    open. `usual` is the error of the eyes one knows."""
    if len(trials) < len(PLAIN):
        return PLAIN[len(trials)] * usual
    bias, level = _grid(usual, 3.0 * USUAL_RANGE)
    d, first = _as_choices(trials)
    weights = _weights(d, first, bias, level, _prior(usual, bias, level, USUAL_RANGE))
    best, least = float(usual), np.inf
    for size in SHOWN * usual:
        open_ = 0.0
        for signed in (size, -size):
            p = _chosen(np.asarray(signed), bias[:, None], np.exp(level)[None, :])
            for likely in (p, 1.0 - p):
                after = weights * likely
                total = float(after.sum())
                after = after / max(total, 1e-300)
                open_ -= total * float((after * np.log(np.maximum(after, 1e-300))).sum())
        if open_ < least:
            best, least = float(size), open_
    return best


def chance_seen(trials: Sequence[Trial], usual: float) -> Callable[[float], float]:
    """How likely a difference is told rightly, whichever its sign, by what the choices say."""
    bias, level = _grid(usual, 3.0 * USUAL_RANGE)
    d, first = _as_choices(trials)
    weights = _weights(d, first, bias, level, _prior(usual, bias, level, USUAL_RANGE))
    sigma = np.exp(level)[None, :]

    def chance(size: float) -> float:
        more = _chosen(np.asarray(size), bias[:, None], sigma)
        less = 1.0 - _chosen(np.asarray(-size), bias[:, None], sigma)
        return float((weights * (more + less)).sum() / 2.0)

    return chance


def _as_choices(trials: Sequence[Trial]) -> tuple[Array, Array]:
    """Differences (n,), and whether what would make them larger was chosen (n,)."""
    return (
        np.array([each.truth for each in trials], dtype=float),
        np.array([each.answer > 0 for each in trials], dtype=float),
    )


def read_choices(trials: Sequence[Trial], usual: float | None = None) -> Eye:
    """The forced choices of one exercise, at least one; `usual` as in posing them, where that is
    known."""
    first_of = trials[0]
    n = len(trials)
    d, first = _as_choices(trials)
    scale, reach = (
        (float(np.median(np.abs(d))), WIDE_RANGE) if usual is None else (usual, USUAL_RANGE)
    )
    unknown = Eye(
        first_of.exercise, first_of.measure, n, None, None, None, None, LAPSES, NO_CHANGE_KNOWN
    )
    if n < FEWEST_CHOICES or scale <= 0.0:
        return unknown
    bias, level = _grid(scale, 4.0 * reach)
    weights = _weights(d, first, bias, level, _prior(scale, bias, level, reach))
    over_bias, over_level = weights.sum(axis=1), weights.sum(axis=0)
    b = float(over_bias @ bias)
    b_sd = float(np.sqrt(over_bias @ (bias - b) ** 2))
    s = float(over_level @ level)
    s_sd = float(np.sqrt(over_level @ (level - s) ** 2))
    change = _change(trials, d, first, scale, reach, b, s)
    now = s
    if change.per_week is not None and change.verdict != UNKNOWN:
        weeks = _weeks(trials)
        now = s + change.per_week * float(-weeks.mean())
    spread = float(np.exp(now))
    return Eye(first_of.exercise, first_of.measure, n, b, b_sd, spread, spread * s_sd, LAPSES,
               change)  # fmt: skip


def _weeks(trials: Sequence[Trial]) -> Array:
    days = np.array([each.day for each in trials])
    made: Array = (days - days.max()) / 7.0
    return made


def _change(
    trials: Sequence[Trial], d: Array, first: Array, scale: float, reach: float, b: float, s: float
) -> Change:
    """The slope of ln(sigma) per week at the most probable bias, level and slope, with the
    curvature there."""
    w = _weeks(trials)
    if len(d) < FEWEST or float(np.ptp(w)) < SHORTEST_WEEKS:
        return NO_CHANGE_KNOWN
    about = w - w.mean()
    sign = np.where(first > 0, 1.0, -1.0)
    low = np.log(LAPSES / 2.0)

    def cost(x: Array) -> float:
        z = sign * (d + x[0] * scale) / np.exp(x[1] + x[2] * about)
        said = np.logaddexp(low, np.log(1.0 - LAPSES) + log_ndtr(z))
        far = (x[0] / USUAL_LEAN) ** 2 + ((x[1] - np.log(scale)) / reach) ** 2 + x[2] ** 2
        return float(0.5 * far - said.sum())

    found = minimize(cost, np.array([b / scale, s, 0.0]), method="BFGS")
    bend = _curvature(cost, found.x)
    try:
        sd = float(np.sqrt(np.linalg.inv(bend)[2, 2]))
    except np.linalg.LinAlgError:
        return NO_CHANGE_KNOWN
    return judged(float(found.x[2]), sd, len(d)) if np.isfinite(sd) else NO_CHANGE_KNOWN


def _curvature(cost: Callable[[Array], float], x: Array, h: float = 1e-3) -> Array:
    """(3, 3) second derivatives by differences."""
    made = np.zeros((3, 3))
    for i in range(3):
        for j in range(3):
            steps = [(p, q) for p in (-h, h) for q in (-h, h)]
            total = 0.0
            for p, q in steps:
                at = x.copy()
                at[i] += p
                at[j] += q
                total += np.sign(p * q) * cost(at)
            made[i, j] = total / (4 * h * h)
    return made
