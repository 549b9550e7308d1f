"""Tones of areas from comparisons by eye: an ordered-probit model and its mode.

A comparison of areas i and j says between which bounds the difference seen lay, t_i - t_j + e with
e normal of sigma 0.7; a step of the grey card is t_i + e with sigma 0.8. With u, l the bounds less
the difference, over sigma, a comparison's likelihood is P = Phi(u) - Phi(l), and by d = t_i - t_j

    dlog P = (phi(l) - phi(u)) / (sigma P),
    d2log P = (l phi(l) - u phi(u)) / (sigma^2 P) - (dlog P)^2 <= 0.

With the weak prior 5 +- 3 for every area the posterior is log-concave, so that Newton's steps find
its one mode; the covariance is the inverse of the curvature there. (L. L. Thurstone 1927, *A law
of comparative judgment*; ordered paired comparisons after A. Agresti 1992.)

Everything works on a batch of b problems over the same n areas at once: tones (b, n).
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np
from scipy.special import log_ndtr

from zirkel.core.arrays import Array, Flags, Indices
from zirkel.core.light import ToneReading

EYE_SIGMA, STEP_SIGMA = 0.7, 0.8
PRIOR, PRIOR_SD = 5.0, 3.0
INFINITE = 40.0
"""A bound beyond which nothing is ever seen, in steps."""

BOUNDS = {
    "alike": (-0.4, 0.4), "little": (0.4, 1.4), "clearly": (1.4, 3.0), "much": (3.0, INFINITE),
}  # fmt: skip
ROUNDS, SETTLED, HALVINGS = 40, 1e-9, 8
LOG_ROOT_2PI = 0.5 * float(np.log(2.0 * np.pi))


@dataclass(frozen=True, slots=True)
class Compared:
    """m readings over n areas: rows (m, n) of what each compares, +1 and -1; bounds of what was
    seen (m,), equal for a step, whose likelihood is normal; sigma (m,)."""

    rows: Array
    low: Array
    high: Array
    sigma: Array
    exact: Flags
    """(m,) whether it is a step, read off as a number."""

    @property
    def count(self) -> int:
        """How many areas."""
        return int(self.rows.shape[1])

    def and_these(self, other: Compared) -> Compared:
        """Both together."""
        return Compared(*(np.concatenate([getattr(self, f), getattr(other, f)])
                          for f in ("rows", "low", "high", "sigma", "exact")))  # fmt: skip


def bounds_of(reading: ToneReading) -> tuple[float, float]:
    """Between which bounds the difference seen lay."""
    if reading.kind == "step":
        return reading.step or 0.0, reading.step or 0.0
    return BOUNDS["alike" if reading.kind == "alike" else reading.by or "clearly"]


def compared(readings: Sequence[ToneReading], index: Mapping[str, int]) -> Compared:
    """The readings as arrays; `index` gives each area's number."""
    rows = np.zeros((len(readings), len(index)))
    bounds = np.array([bounds_of(each) for each in readings]).reshape(-1, 2)
    exact = np.array([each.kind == "step" for each in readings], dtype=bool)
    for row, each in enumerate(readings):
        if each.kind == "step":
            rows[row, index[each.area or ""]] = 1.0
        else:
            rows[row, index[each.first or ""]] = 1.0
            rows[row, index[each.second or ""]] = -1.0
    usual = np.where(exact, STEP_SIGMA, EYE_SIGMA)
    own = np.array([each.sigma or 0.0 for each in readings])
    return Compared(rows, bounds[:, 0], bounds[:, 1], np.where(own > 0, own, usual), exact)


def likelihood(of: Compared, d: Array) -> tuple[Array, Array, Array]:
    """log P, its slope and its curvature (positive), by the differences d (..., m)."""
    u, low = (of.high - d) / of.sigma, (of.low - d) / of.sigma
    # The smaller tail is computed, so that nothing cancels.
    flip = low > 0
    top = log_ndtr(np.where(flip, -low, u))
    bottom = log_ndtr(np.where(flip, -u, low))
    with np.errstate(divide="ignore"):
        log_p = top + np.log(-np.expm1(np.minimum(bottom - top, -1e-300)))
    at_u = np.exp(np.clip(-0.5 * u**2 - LOG_ROOT_2PI - log_p, -700.0, 700.0))
    at_low = np.exp(np.clip(-0.5 * low**2 - LOG_ROOT_2PI - log_p, -700.0, 700.0))
    slope = (at_low - at_u) / of.sigma
    bend = slope**2 - (low * at_low - u * at_u) / of.sigma**2
    normal = -0.5 * u**2
    return (
        np.where(of.exact, normal, log_p),
        np.where(of.exact, u / of.sigma, slope),
        np.where(of.exact, of.sigma**-2.0, np.maximum(bend, 0.0)),
    )


@dataclass(frozen=True, slots=True)
class Mode:
    """The mode (b, n) of each problem, and the covariance (b, n, n) by the curvature there."""

    tones: Array
    covariance: Array


def find_mode(of: Compared, use: Array, start: Array | None = None) -> Mode:
    """The modes of b problems; `use` (b, m) is 1 for readings that count in each, else 0."""
    n = of.count
    tones = np.full((len(use), n), PRIOR) if start is None else start.copy()
    value = _log_posterior(of, use, tones)
    for _ in range(ROUNDS):
        curvature, pull = _newton(of, use, tones)
        step = np.linalg.solve(curvature, pull[..., None])[..., 0] if n else pull
        size = np.ones(len(use))
        for _ in range(HALVINGS):
            there = tones + size[:, None] * step
            after = _log_posterior(of, use, there)
            worse = after < value - 1e-12
            if not worse.any():
                break
            size = np.where(worse, size / 2.0, size)
        tones, value = there, after
        if not step.size or float(np.abs(step).max()) < SETTLED:
            break
    curvature = np.asarray(_newton(of, use, tones)[0], dtype=float)
    return Mode(tones, np.asarray(np.linalg.inv(curvature), dtype=float))


def evidence(of: Compared, use: Array, found: Mode) -> float:
    """Log marginal likelihood of one problem by Laplace's approximation, up to a constant; a
    step's likelihood has its sigma's part in it too."""
    _, size = np.linalg.slogdet(found.covariance[0])
    return float(_log_posterior(of, use, found.tones)[0] + 0.5 * size)


def _log_posterior(of: Compared, use: Array, tones: Array) -> Array:
    log_p, _, _ = likelihood(of, tones @ of.rows.T)
    prior = -0.5 * ((tones - PRIOR) / PRIOR_SD) ** 2
    made: Array = np.where(use > 0, log_p, 0.0).sum(axis=1) + prior.sum(axis=1)
    return made


def _newton(of: Compared, use: Array, tones: Array) -> tuple[Array, Array]:
    """Curvature (b, n, n) and slope (b, n) of the log posterior."""
    _, slope, bend = likelihood(of, tones @ of.rows.T)
    n = of.count
    curvature = ((bend * use)[:, None, :] * of.rows.T) @ of.rows
    curvature += np.eye(n) * PRIOR_SD**-2
    return curvature, (slope * use) @ of.rows - (tones - PRIOR) * PRIOR_SD**-2


def tied_parts(of: Compared) -> list[Indices]:
    """The areas as they hang together by comparisons, each part's numbers."""
    n = of.count
    part = np.arange(n)
    for row in of.rows[~of.exact]:
        a, b = np.flatnonzero(row)
        part[part == part[a]] = part[b]
    return [np.flatnonzero(part == each) for each in dict.fromkeys(part.tolist())]
