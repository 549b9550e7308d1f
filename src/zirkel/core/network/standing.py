"""How each landmark stands: loose, held, proven, or in doubt.

A landmark is loose where nothing holds it (rank), and also where what holds it leaves it to slide
by more than a block-in can bear: one standard deviation beyond `BEARABLE` of the whole. A level and
a tilt that is nearly level hold a landmark to metres; that is a number, and no hold.
"""

from __future__ import annotations

import math
from collections.abc import Mapping

import numpy as np

from zirkel.core.network.adjust import place_covariance
from zirkel.core.network.extent import sides
from zirkel.core.network.looks import proof
from zirkel.core.network.solve import Solution

PROVEN = 0.25
"""Redundancy of a landmark's best-checked reading from which a mistake there would be noticed."""

BEARABLE = 1.0 / 20.0
"""Share of the whole's longer side by which a landmark that is held may be off, one sd."""

ALONG_DEG = 10.0
"""How near a plumb or a level a way of sliding is called so."""


def sliding(solution: Solution, scatter: float | None = None) -> dict[str, str | float]:
    """Which way each landmark that is not held could slide: level, plumb, both, or along a tilt in
    degrees; those that nothing holds and those that are held too poorly. `scatter` stands for the
    readings' own: 1 asks what they would hold in a usual hand."""
    found = {each.landmark: each.direction for each in solution.loose}
    own = solution.scatter if scatter is None else scatter
    covariance = own**2 * place_covariance(solution.adjusted)
    values, vectors = np.linalg.eigh(covariance)
    most = (BEARABLE * float(sides(solution.adjusted).max())) ** 2
    for i, name in enumerate(solution.adjusted.network.ids):
        if values[i, 1] <= most or found.get(name) == "both":
            continue
        if name in found or values[i, 0] > most:
            found[name] = "both"
        else:
            found[name] = _called(*vectors[i, :, 1])
    return found


def height_of_the_whole(solution: Solution) -> float:
    """Its height in units; of what lies very flat, half of its width."""
    width, height = sides(solution.adjusted)
    return max(float(height), 0.5 * float(width))


def _called(dx: float, dy: float) -> str | float:
    """A direction of sliding, level or plumb where it is nearly that."""
    direction = math.degrees(math.atan2(dx, -dy)) % 180.0
    if min(direction, 180.0 - direction) < ALONG_DEG:
        return "plumb"
    return "level" if abs(direction - 90.0) < ALONG_DEG else direction


def standings(solution: Solution, loose: Mapping[str, str | float]) -> dict[str, str]:
    """For each landmark `loose`, `doubt`, `proven` (its readings check one another) or `held`."""
    doubted = {each.sighting for each in solution.doubts}
    net = solution.adjusted.network
    proofs = dict(zip((e.id for e in net.sightings), proof(solution.adjusted), strict=True))
    in_doubt: set[str] = set()
    checked: set[str] = set()
    for each in net.study.sightings:
        if each.struck:
            continue
        if each.id in doubted:
            in_doubt.update(each.landmarks)
        elif proofs.get(each.id, 0.0) >= PROVEN:
            checked.update(each.landmarks)
    found = {}
    for name in solution.landmarks:
        if name in loose:
            found[name] = "loose"
        elif name in in_doubt:
            found[name] = "doubt"
        else:
            found[name] = "proven" if name in checked else "held"
    return found
