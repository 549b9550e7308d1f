"""How large the whole is, by the landmarks whose places are known; and which places say nothing.

Two tilts that are nearly one line can fling a landmark thousands of units away. Such a place is a
number, but the drawing must not be laid out by it.
"""

from __future__ import annotations

import numpy as np

from zirkel.core.arrays import Array, Flags
from zirkel.core.network.adjust import Adjustment, place_covariance

NOWHERE = 1.0 / 4.0
"""Share of the whole beyond which a landmark may be off, one sd, for its place to say nothing."""


def sides(adjusted: Adjustment) -> Array:
    """(2,) width and height, in units, of the box round all landmarks that are somewhere."""
    return _sides(adjusted.places, _spread(adjusted))


def nowhere(adjusted: Adjustment) -> Flags:
    """(n,) which landmarks are so poorly held that their places say nothing."""
    spread = _spread(adjusted)
    found: Flags = spread > NOWHERE * _sides(adjusted.places, spread).max(initial=0.0)
    return found & (spread > 0.0)


def likely_places(adjusted: Adjustment, away: Flags | None = None) -> Array:
    """(n, 2) places, of what is nowhere (`away`, if that is known already) those on the
    thumbnail."""
    away = nowhere(adjusted) if away is None else away
    if not away.any():
        return adjusted.places
    return np.where(away[:, None], adjusted.network.start, adjusted.places)


def _spread(adjusted: Adjustment) -> Array:
    """(n,) largest standard deviation of each landmark in any direction, in units."""
    covariance = place_covariance(adjusted)
    spread: Array = np.sqrt(np.maximum(np.linalg.eigvalsh(covariance)[:, 1], 0.0))
    return spread


def _sides(places: Array, spread: Array) -> Array:
    if not len(places):
        return np.zeros(2)
    box: Array = np.ptp(places, axis=0)
    while True:
        known = spread <= NOWHERE * box.max()
        smaller = np.ptp(places[known], axis=0) if known.sum() > 1 else box
        if smaller.max() >= box.max():
            return box
        box = smaller
