"""Trust: how good each kind of reading really is, estimated from the artist's own readings.

Problem: the default sigmas are those of a practised arm; this artist's may be better at tilts and
worse at spans. Each kind k gets a factor f_k on its sigmas such that its misfits are as large as
they should be. With v_i the misfits in sigmas and r_i the redundancy numbers, the variance
component of a kind is

    f_k^2 = sum v_i^2 / sum r_i   over the kind's readings;

the network is adjusted again with the new weights and the estimate repeated until it settles
(W. Foerstner, 1979, A method for estimating variance and covariance components). Its standard
deviation is about f_k / sqrt(2 sum r_i). In each round, readings that the others contradict under
the present sigmas are set aside.

Whether there is enough to go on is decided before any of that, by the redundancy numbers under the
sigmas as set: afterwards, kinds that happened to come out large would have gained redundancy and
passed, and the small ones failed. The root of an unbiased variance is on average too small, by
sqrt(2/k) Gamma((k+1)/2) / Gamma(k/2) with k degrees of freedom; the estimate is divided by that.
"""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from scipy.special import gammaln

from zirkel.core.arrays import Array
from zirkel.core.network.adjust import Adjustment, readjust
from zirkel.core.network.descend import HUGE

GROSS = 4.0
"""Standardized residual from which a reading tells of a slip and not of the usual error."""

ROUNDS = 8
SETTLED = 0.005
ENOUGH = 10.0
"""Sum of redundancy numbers of a kind from which its estimate is worth offering."""

DIFFERENT = 2.0
"""Standard deviations by which it must differ from what is set now to be offered."""

LEAST, MOST = 0.2, 5.0


@dataclass(frozen=True, slots=True)
class Component:
    """A kind's factor on its default sigma: as set, as estimated, and how sure that is.

    `offered` says whether there is enough to go on and the difference is worth a change.
    """

    kind: str
    readings: int
    redundancy: float
    set_now: float
    estimate: float | None
    sd: float | None
    offered: bool


def personal_trust(adjusted: Adjustment) -> tuple[Component, ...]:
    """The artist's own factor for each kind that the study has readings of."""
    net = adjusted.network
    kinds = np.array([each.kind for each in net.sightings])
    own = np.array([each.sigma is not None for each in net.sightings], dtype=bool)
    names = sorted(set(kinds.tolist()))
    factors = dict.fromkeys(names, 1.0)
    now = adjusted
    # On a huge network every round costs seconds, so nothing is estimated there.
    bearable = net.datum.unknowns <= HUGE
    enough = {
        name: bearable and float(adjusted.redundancy[(kinds == name) & ~own].sum()) >= ENOUGH
        for name in names
    }
    for _ in range(ROUNDS if any(enough.values()) else 0):
        change = 0.0
        for name in names:
            mine = (kinds == name) & ~own & (now.weight > 0)
            checked = float(now.redundancy[mine].sum())
            if enough[name] and checked > 0.5:
                step = float(np.sqrt((now.misfit[mine] ** 2).sum() / checked))
                factors[name] = float(np.clip(factors[name] * step, LEAST, MOST))
                change = max(change, abs(step - 1.0))
        scale = np.array([1.0 if o else factors[k] for k, o in zip(kinds, own, strict=True)])
        now = _without_gross(readjust(now, adjusted.weight / scale), np.minimum(scale, 1.0))
        if change < SETTLED:
            break
    return tuple(
        _component(now, name, kinds, own, factors[name] if enough[name] else None) for name in names
    )


def _without_gross(now: Adjustment, sharpened: Array) -> Adjustment:
    """Adjusted again without the readings that the others contradict, under the present sigmas or
    those believed before, whichever are larger: else a kind that came out a little sharp would have
    ordinary readings taken for gross, and come out sharper still."""
    weight = now.weight.copy()
    weight[np.nan_to_num(np.abs(now.standardized)) * sharpened > GROSS] = 0.0
    return readjust(now, weight) if (weight != now.weight).any() else now


def _component(
    now: Adjustment, name: str, kinds: np.ndarray, own: np.ndarray, factor: float | None
) -> Component:
    mine = (kinds == name) & ~own & (now.weight > 0)
    checked = float(now.redundancy[mine].sum())
    set_now = now.network.study.trust.get(name, 1.0)
    if factor is None:
        return Component(name, int(mine.sum()), checked, set_now, None, None, False)
    estimate = factor * set_now / _mean_of_root(max(checked, 1.0))
    sd = estimate / float(np.sqrt(2.0 * max(checked, 1.0)))
    differs = abs(estimate - set_now) > DIFFERENT * sd
    return Component(name, int(mine.sum()), checked, set_now, estimate, sd, differs)


def _mean_of_root(freedom: float) -> float:
    """Mean of the root of a chi-squared number over its degrees of freedom; iterating, with other
    kinds beside, takes about a quarter of them (measured on random networks)."""
    half = 0.75 * freedom / 2.0
    return float(np.exp(gammaln(half + 0.5) - gammaln(half)) / np.sqrt(half))
