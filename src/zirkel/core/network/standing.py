"""How each landmark stands: loose, held, proven, or in doubt."""

from __future__ import annotations

from zirkel.core.network.solve import Solution

PROVEN = 0.25
"""Redundancy of a landmark's best-checked reading from which a mistake there would be noticed."""


def standings(solution: Solution) -> dict[str, str]:
    """For each landmark `loose`, `doubt`, `proven` (its readings check one another) or `held`."""
    loose = {each.landmark for each in solution.loose}
    doubted = {each.sighting for each in solution.doubts}
    study = solution.adjusted.network.study
    in_doubt: set[str] = set()
    checked: set[str] = set()
    for each in study.sightings:
        if each.struck:
            continue
        if each.id in doubted:
            in_doubt.update(each.landmarks)
        elif (solution.readings[each.id].redundancy or 0.0) >= PROVEN:
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
