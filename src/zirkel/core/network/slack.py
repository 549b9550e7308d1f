"""Slack: how far a landmark could still slide, as it is drawn, said and judged everywhere.

One definition for all: the area in which the landmark lies 19 times in 20. With covariance S that
is the ellipse d' S^-1 d <= 5.99 (chi-squared with two degrees of freedom), whose semi-axes are 2.45
standard deviations; the slack as one number is the longer of them.
"""

from __future__ import annotations

import math
from typing import NamedTuple

import numpy as np

from zirkel.core.arrays import Array

SHARE = 0.95
"""How often the landmark lies in its area."""

SQUARED_SIZE = -2.0 * math.log(1.0 - SHARE)
"""d' S^-1 d on the edge of the area."""

SDS = math.sqrt(SQUARED_SIZE)
"""Standard deviations from the middle of the area to its edge."""


class Ellipse(NamedTuple):
    """Semi-axes, longer first, and the longer one's angle clockwise from level in degrees."""

    longer: float
    shorter: float
    angle_deg: float


def area(covariance: Array) -> Ellipse:
    """The area of slack of a landmark with this covariance (2, 2)."""
    values, vectors = np.linalg.eigh(covariance)
    shorter, longer = SDS * np.sqrt(np.maximum(values, 0.0))
    angle = math.degrees(math.atan2(vectors[1, 1], vectors[0, 1])) % 180.0
    return Ellipse(float(longer), float(shorter), angle)


def radii(covariances: Array) -> Array:
    """The slack (n,) of n landmarks with covariances (n, 2, 2)."""
    a, b, c = covariances[:, 0, 0], covariances[:, 1, 1], covariances[:, 0, 1]
    longer = 0.5 * (a + b) + np.sqrt(0.25 * (a - b) ** 2 + c**2)
    return SDS * np.sqrt(np.maximum(longer, 0.0))


def squared_distance(off: Array, covariance: Array) -> float:
    """d' S^-1 d of a place that is off (2,) from where it is expected."""
    return float(off @ np.linalg.pinv(covariance, rcond=1e-9) @ off)


def inside(off: Array, covariance: Array) -> bool:
    """Whether a place that is off (2,) from the middle lies in the area."""
    return squared_distance(off, covariance) <= SQUARED_SIZE
