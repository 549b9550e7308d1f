"""What to compare next: what is expected to take most of the uncertainty of all tones.

Each answer that might be given (much darker, clearly, a little, alike, and the other way round) has
its chance by what is known; with each, the tones are computed again, and the drop of their total
variance is weighed by that chance. A rank-one sum over all pairs (J. Sherman and W. Morrison, 1950)
finds which few are worth that.
"""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from scipy.special import ndtr

from zirkel.core.arrays import Array, Flags, Indices
from zirkel.core.tones.estimate import Estimate
from zirkel.core.tones.probit import BOUNDS, EYE_SIGMA, INFINITE, STEP_SIGMA, Compared, find_mode

ANSWERS = (
    (-INFINITE, -3.0), (-3.0, -1.4), (-1.4, -0.4), BOUNDS["alike"], BOUNDS["little"],
    BOUNDS["clearly"], BOUNDS["much"],
)  # fmt: skip
SHORT_LIST = 3
"""How many times as many as asked for are computed exactly."""

LEAST_GAIN = 1e-3

CARD_COSTS = 2.0
"""How many comparisons by eye one takes the time of, with the grey card; it is asked for once."""


@dataclass(frozen=True, slots=True)
class NextComparison:
    """A comparison worth making: two areas, or a step of the grey card for one; `gain` is the share
    of the total variance that it is expected to take."""

    kind: str
    first: str
    second: str | None
    gain: float


def next_comparisons(found: Estimate, count: int = 5) -> tuple[NextComparison, ...]:
    """The best few, best first; steps of the grey card only where one has been read before."""
    names = list(found.index)
    n = len(names)
    pairs = np.array(
        [(i, j) for i in range(n) for j in range(i + 1, n) if not _asked(found, i, j)],
        dtype=np.intp,
    ).reshape(-1, 2)
    rows = np.zeros((len(pairs), n))
    rows[np.arange(len(pairs)), pairs[:, 0]] = 1.0
    rows[np.arange(len(pairs)), pairs[:, 1]] = -1.0
    steps = np.eye(n) if found.anchored else np.zeros((0, n))
    fresh = [i for i in range(len(steps)) if not (found.of.rows[found.of.exact][:, i] > 0).any()]
    candidates = np.concatenate([rows, steps[fresh]])
    exact = np.arange(len(candidates)) >= len(rows)
    if not len(candidates):
        return ()
    quick = _quick_gains(found, candidates, exact)
    best = np.argsort(-quick, kind="stable")
    short = np.concatenate(
        [best[~exact[best]][: SHORT_LIST * count], best[exact[best]][:SHORT_LIST]]
    )
    sure = _gains(found, candidates[short], exact[short])
    made: list[NextComparison] = []
    worth = np.where(exact[short], sure / CARD_COSTS, sure)
    for k in np.argsort(-worth, kind="stable"):
        held_up = any(each.kind == "step" for each in made)
        if sure[k] < LEAST_GAIN or len(made) == count:
            break
        if exact[short[k]] and held_up:
            continue
        i, *rest = np.flatnonzero(candidates[short[k]])
        if exact[short[k]]:
            made.append(NextComparison("step", names[i], None, float(sure[k])))
            continue
        (j,) = rest
        d = found.mode.tones[0][i] - found.mode.tones[0][j]
        a, b = (i, j) if d >= 0 else (j, i)
        made.append(NextComparison("darker", names[a], names[b], float(sure[k])))
    return tuple(made)


def _asked(found: Estimate, i: int, j: int) -> bool:
    pairs = found.of.rows[~found.of.exact]
    return bool(((pairs[:, i] != 0) & (pairs[:, j] != 0)).any())


def _measure(found: Estimate) -> Array:
    """(n, n) what is counted as uncertainty: all tones; afloat, all against their mean."""
    n = len(found.index)
    if found.anchored or not n:
        return np.eye(n)
    return np.eye(n) - 1.0 / n


def _quick_gains(found: Estimate, rows: Array, exact: Flags) -> Array:
    c, m = found.mode.covariance[0], _measure(found)
    sigma = np.where(exact, STEP_SIGMA, EYE_SIGMA)
    reach = rows @ c
    own = (reach * rows).sum(axis=1)
    made: Array = ((reach @ m) * reach).sum(axis=1) / (sigma**2 + own)
    return made


def _gains(found: Estimate, rows: Array, exact: Flags) -> Array:
    """(k,) the expected share that each would take, computed again for every answer."""
    tones, c, m = found.mode.tones[0], found.mode.covariance[0], _measure(found)
    before = float((c * m).sum())
    made = np.zeros(len(rows))
    for sort in (False, True):
        own: Indices = np.flatnonzero(exact == sort)
        if not len(own):
            continue
        d = rows[own] @ tones
        spread = np.einsum("ki,ij,kj->k", rows[own], c, rows[own])
        if sort:
            bounds = np.stack([d, d], axis=1)[:, None, :]
            chance = np.ones((len(own), 1))
        else:
            bounds = np.repeat(np.array(ANSWERS)[None], len(own), axis=0)
            sd = np.sqrt(spread + EYE_SIGMA**2)[:, None]
            edges = (bounds - d[:, None, None]) / sd[..., None]
            chance = ndtr(edges[..., 1]) - ndtr(edges[..., 0])
        made[own] = 1.0 - _after(found, rows[own], bounds, sort, m, chance) / before
    return made


def _after(
    found: Estimate, rows: Array, bounds: Array, exact: bool, measure: Array, chance: Array
) -> Array:
    """(k,) the expected total variance once each reading is there too."""
    k, answers = bounds.shape[:2]
    repeated = np.repeat(rows, answers, axis=0)
    total = len(repeated)
    more = Compared(
        repeated, bounds[..., 0].ravel(), bounds[..., 1].ravel(),
        np.full(total, STEP_SIGMA if exact else EYE_SIGMA), np.full(total, exact),
    )  # fmt: skip
    of = found.of.and_these(more)
    use = np.concatenate([np.ones((total, len(found.of.sigma))), np.eye(total)], axis=1)
    start = np.repeat(found.mode.tones, total, axis=0)
    after = find_mode(of, use, start)
    left = (after.covariance * measure).sum(axis=(1, 2)).reshape(k, answers)
    made: Array = (left * chance).sum(axis=1) / chance.sum(axis=1)
    return made
