"""How sure this eye is: by how much its comparisons err more, or less, than an eye's usually do.

The scale s of the comparisons' sigma is the one of most evidence: with s the log posterior at the
mode less half the log determinant of its curvature (Laplace's approximation of the marginal
likelihood), and before anything is seen ln s normal of 0.5. It is believed where it is far better
than the usual eye, by BETTER in the log: once in a hundred honest eyes.
"""

from __future__ import annotations

from dataclasses import replace

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.tones.probit import Compared, evidence, find_mode

SCALES = np.exp(np.linspace(np.log(0.4), np.log(2.5), 9))
LN_SCALE_SD = 0.5
BETTER = 3.3
LEAST = 12
"""Comparisons from which on an eye's own scale can be told at all."""


def scaled(of: Compared, scale: float) -> Compared:
    """The readings of an eye whose comparisons err by so much."""
    return replace(of, sigma=np.where(of.exact, of.sigma, of.sigma * scale))


def own_scale(of: Compared, use: Array) -> float:
    """The scale of this eye's comparisons, 1 where nothing tells; `use` (m,) is 1 for those that
    count."""
    if int((use > 0)[~of.exact].sum()) < max(LEAST, of.count):
        return 1.0
    told = np.array([_told(of, use, float(each)) for each in SCALES])
    usual = _told(of, use, 1.0)
    best = int(told.argmax())
    if told[best] - usual < BETTER:
        return 1.0
    if best in (0, len(SCALES) - 1):
        return float(SCALES[best])
    # The top of the parabola through the best and its neighbours.
    left, top, right = told[best - 1 : best + 2]
    shift = 0.5 * (left - right) / (left - 2.0 * top + right)
    step = float(np.log(SCALES[1] / SCALES[0]))
    return float(SCALES[best] * np.exp(shift * step))


def _told(of: Compared, use: Array, scale: float) -> float:
    this = scaled(of, scale)
    found = find_mode(this, use[None])
    return evidence(this, use[None], found) - 0.5 * (np.log(scale) / LN_SCALE_SD) ** 2
