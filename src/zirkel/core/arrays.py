"""Small shared things about arrays: their types, and row-wise vectors in the plane."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

Array = NDArray[np.float64]
Indices = NDArray[np.intp]
Flags = NDArray[np.bool_]

TINY = 1e-9
"""Lengths below this, in units, have no direction and no ratio."""


def dot(a: Array, b: Array) -> Array:
    """Row-wise scalar product of two (k, 2) arrays."""
    return a[:, 0] * b[:, 0] + a[:, 1] * b[:, 1]


def cross(a: Array, b: Array) -> Array:
    """Row-wise a.x b.y - a.y b.x of two (k, 2) arrays."""
    return a[:, 0] * b[:, 1] - a[:, 1] * b[:, 0]


def quarter_turn(a: Array) -> Array:
    """Each row turned a quarter clockwise as seen (x right, y down): (x, y) to (-y, x)."""
    turned = np.empty_like(a)
    turned[:, 0] = -a[:, 1]
    turned[:, 1] = a[:, 0]
    return turned


def stack(*by_landmark: Array) -> Array:
    """Derivatives by each landmark, (k, 2) each, as one (k, L, 2) array."""
    out = np.empty((len(by_landmark[0]), len(by_landmark), 2))
    for place, each in enumerate(by_landmark):
        out[:, place] = each
    return out


def away_from_zero(values: Array) -> Array:
    """The values, with those too small to divide by replaced by infinity.

    A ratio or direction over nothing then reads 0 and pulls at nothing: a landmark pair in one
    place yields no information, but no crash either.
    """
    return np.where(np.abs(values) > TINY, values, np.inf)
