"""Doubts: which readings the others contradict, worst first.

Data snooping after W. Baarda (1968): the reading with the largest standardized residual beyond
3.29 (two-sided alpha = 0.001; a little more in drawings of over a hundred readings) is struck, the
network adjusted again, and so on until none is left. The value the others expect is the fitted
value once the reading is struck.

A hand less practised than believed would have many of its readings accused. So the whole comes
first: where the readings scatter evenly but more than believed (robust scale of the standardized
residuals), or where too much scatter is left once the worst are struck (chi-squared), the scale of
the scatter is estimated from what is left, and each reading judged against that.

Two readings that check only each other have residuals that are perfectly correlated: no
arithmetic can tell which is wrong. They are told as `rivals`. With h = A Q A', residuals i and j
correlate by -h_ij / sqrt(r_i r_j).
"""

from __future__ import annotations

import math
from dataclasses import dataclass

import numpy as np
from scipy.special import chdtri, ndtri

from zirkel.core.arrays import Array
from zirkel.core.network.adjust import (
    Adjustment,
    place_covariance,
    readjust,
    residual_correlation,
)
from zirkel.core.network.descend import HUGE
from zirkel.core.network.search import ENOUGH_TO_TELL, robust_scale, scatters_evenly
from zirkel.core.patience import step
from zirkel.core.sightings import Sighting

DOUBTFUL = 3.29
"""Standardized residual beyond which a reading is doubted, in drawings of up to a hundred readings
that others check."""

FALSE_ALARMS = 0.1
"""Chance of doubting any reading of a clean drawing, however many readings it has."""

CHECKED = 0.01
MOST_AT_ONCE = 20
"""Redundancy from which a reading counts as checked at all."""

SCATTER_BY_CHANCE, BESIDE_DOUBTS = 0.01, 0.15
"""Chance with which readings that are as good as believed are said to scatter more: of a drawing
without doubts, and of what is left where some would be accused. To accuse the innocent costs the
artist more than a wrong reading that is judged a little more mildly."""

SURELY_SCATTERED = 1.45
"""Robust scale from which single readings are not even looked at before the whole."""

MOST_WRONG = 2
"""Wrong readings that may explain what else would be a hand less practised than believed."""

RIVAL = 0.98
"""Correlation of residuals from which two readings can't be told apart."""


@dataclass(frozen=True, slots=True)
class Doubt:
    """One reading that the others contradict; values in the file's unit.

    `rivals` are the readings of which one might as well be the wrong one.
    """

    sighting: str
    reads: float
    expected: float
    standardized: float
    rivals: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class Judgement:
    """The doubted readings in the order in which they were struck, then orders that do not hold;
    and by how much all readings scatter more than believed, 1 where they do not."""

    doubts: tuple[Doubt, ...]
    scatter: float


def judge(adjusted: Adjustment) -> Judgement:
    """First the whole, then each reading against it."""
    scattered = scatters_evenly(adjusted) and robust_scale(adjusted) > SURELY_SCATTERED
    doubts, now = _snoop(adjusted, 1.0, MOST_WRONG if scattered else None)
    if scattered and not _wrong_rather_than_scattered(adjusted, now, len(doubts)):
        return _judge_scattered(adjusted)
    if _too_scattered(
        now, BESIDE_DOUBTS if doubts else SCATTER_BY_CHANCE
    ) and not _wrong_rather_than_scattered(adjusted, now, len(doubts)):
        return _judge_scattered(adjusted)
    return Judgement((*doubts, *_broken_orders(now)), 1.0)


def _wrong_rather_than_scattered(adjusted: Adjustment, after: Adjustment, wrong: int) -> bool:
    """Whether a wrong reading or two explain the cost better than a hand less practised than
    believed. With f degrees of freedom and the scale fitted, the latter costs f ln(cost / f) + f;
    striking k of m readings costs what is left and 2 ln m for the choice of each (both are -2 log
    likelihood; G. Schwarz 1978, for the price of a choice)."""
    f = adjusted.freedom
    if not 0 < wrong <= MOST_WRONG or f <= 0:
        return False
    choice = 2.0 * wrong * math.log(max(int(np.count_nonzero(adjusted.weight)), 1))
    return bool(after.cost + choice < f * math.log(max(adjusted.cost / f, 1e-9)) + f)


def _too_scattered(now: Adjustment, chance: float) -> bool:
    """Whether what is left still scatters more than chance allows."""
    freedom = now.freedom
    if freedom < ENOUGH_TO_TELL:
        return False
    return bool(now.cost > chdtri(freedom, chance))


def _judge_scattered(adjusted: Adjustment) -> Judgement:
    """The scale from what is left once the worst against a robust first guess of it are struck;
    then all readings again against that scale."""
    scale = max(1.0, robust_scale(adjusted))
    for _ in range(2):
        doubts, now = _snoop(adjusted, scale)
        left = now.variance_factor or 1.0
        scale = max(1.0, float(np.sqrt(left)))
    return Judgement((*doubts, *_broken_orders(now)), scale)


def _snoop(
    adjusted: Adjustment, scale: float, most: int | None = None
) -> tuple[list[Doubt], Adjustment]:
    """Strike the worst reading and adjust again, until none stands out, or so many are struck."""
    if adjusted.network.datum.unknowns > HUGE:
        return _snoop_at_once(adjusted, scale), adjusted
    found: list[Doubt] = []
    now = adjusted
    for _ in range(len(adjusted.weight) if most is None else most):
        step(f"looking for what disagrees: {len(found)} found")
        worst = _worst(now, scale)
        if worst is None:
            break
        weight = now.weight.copy()
        weight[worst] = 0.0
        after = readjust(now, weight)
        found.append(_doubt(now, after, worst))
        now = after
    return found, now


def _snoop_at_once(now: Adjustment, scale: float) -> list[Doubt]:
    """The same by the correlations of the residuals, without adjusting again: striking reading i
    changes the others' standardized residuals to (w_j - rho w_i) / sqrt(1 - rho^2), and what the
    others make of it differs from it by v_i / r_i."""
    w = np.nan_to_num(now.standardized) / scale
    found: list[Doubt] = []
    for _ in range(MOST_AT_ONCE):
        row = int(np.argmax(np.abs(w)))
        if abs(w[row]) <= threshold(now):
            break
        rho = residual_correlation(now, row)
        alone = float(now.linear.residual[row] / max(now.redundancy[row], CHECKED))
        sighting = now.network.sightings[row]
        found.append(
            Doubt(sighting.id, sighting.value, expected_value(sighting, alone),
                  float(w[row] * scale), _rivals(now, row))
        )  # fmt: skip
        w = (w - rho * w[row]) / np.sqrt(np.maximum(1.0 - rho**2, 1e-3))
        w[row] = 0.0
    return found


def _worst(now: Adjustment, scale: float) -> int | None:
    standing = np.where(now.weight > 0, np.nan_to_num(np.abs(now.standardized)), 0.0) / scale
    if not len(standing) or standing.max() <= threshold(now):
        return None
    return int(np.argmax(standing))


def threshold(now: Adjustment) -> float:
    """The standardized residual beyond which a reading is doubted.

    3.29 is passed by one reading in a thousand by chance. Among more than a hundred, that would
    make false alarms common: there it rises so that they stay at one drawing in ten.
    """
    checked = int(((now.redundancy > CHECKED) & (now.weight > 0)).sum())
    return max(DOUBTFUL, float(-ndtri(FALSE_ALARMS / 2.0 / max(1, checked))))


def _doubt(now: Adjustment, after: Adjustment, row: int) -> Doubt:
    sighting = now.network.sightings[row]
    return Doubt(
        sighting=sighting.id,
        reads=sighting.value,
        expected=expected_value(sighting, float(after.linear.residual[row])),
        standardized=float(now.standardized[row]),
        rivals=_rivals(now, row),
    )


def expected_value(sighting: Sighting, residual: float) -> float:
    """The fitted value in the file's unit; undirected angles between 0 and the period."""
    fitted = sighting.value - residual / sighting.inside
    return fitted if sighting.period is None else fitted % (sighting.period / sighting.inside)


def _rivals(now: Adjustment, row: int) -> tuple[str, ...]:
    shared = residual_correlation(now, row)
    alike = np.flatnonzero((np.abs(shared) > RIVAL) & (now.weight > 0))
    return tuple(now.network.sightings[i].id for i in alike if i != row)


def _broken_orders(now: Adjustment) -> list[Doubt]:
    """Orders that the places contradict by more than both their uncertainties."""
    orders = [each for each in now.network.study.sightings if not (each.holds or each.struck)]
    if not orders:
        return []
    covariance = place_covariance(now)
    broken = []
    for each in orders:
        gap, sd = order_gap(now, covariance, each)
        if gap < -DOUBTFUL * sd:
            broken.append(Doubt(each.id, 0.0, gap, gap / sd))
    return broken


def order_gap(now: Adjustment, covariance: Array, order: Sighting) -> tuple[float, float]:
    """How far an order holds (negative: is broken), in units, and the sd of that."""
    net = now.network
    where = np.array([[net.index[each] for each in order.landmarks]])
    columns = type(order).columns([order], now.places[where])
    made = type(order).equation(columns, now.places[where], np.zeros(1))
    by_place = made.by_place[0]
    gap = float((by_place * now.places[where[0]]).sum())
    spread = np.einsum("li,lij,lj->", by_place, covariance[where[0]], by_place)
    own = order.sigma if order.sigma is not None else order.default_sigma(net.in_mm)
    return gap, float(np.sqrt(spread + own**2))
