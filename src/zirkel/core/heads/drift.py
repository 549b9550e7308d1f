"""Where a drawing of a head has drifted to the rule of thumb, away from what was sighted: hands
draw what heads are known to be."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from zirkel.core.head import Head
from zirkel.core.heads.canons import Canon, Pair
from zirkel.core.heads.solved import SolvedHead

Spot = tuple[float, float]
SURE, DRIFTED = 2.0, 0.5
"""Deviations from which the sighted head departs from the rule, and share of that departure that
may be left in the drawing for it to be said to have drifted."""


@dataclass(frozen=True, slots=True)
class Drift:
    """A measure as the rule has it, as it was sighted, and as it is drawn."""

    measure: str
    canon: float
    sighted: float
    drawn: float


def drifts(
    head: Head,
    solved: SolvedHead,
    planned: Mapping[str, Spot],
    drawn: Mapping[str, Spot],
    canons: Sequence[Canon],
) -> tuple[Drift, ...]:
    """Sighted and drawn are seen from one place, so that both are foreshortened alike: the drawn
    ratio over the planned one is how far it moved. Places in mm by landmark."""
    rule = {each.measure: each for each in canons}
    made = []
    for each in solved.departures:
        canon = rule.get(each.measure)
        if canon is None or each.off < SURE:
            continue
        was, now = (_ratio(canon, head, at) for at in (planned, drawn))
        if was is None or now is None:
            continue
        here = each.here * now / was
        if abs(here - canon.canon) < DRIFTED * abs(each.here - canon.canon):
            made.append(Drift(each.measure, canon.canon, each.here, here))
    return tuple(made)


def _ratio(canon: Canon, head: Head, at: Mapping[str, Spot]) -> float | None:
    over, by = (_mean(pairs, head, at, canon.heights) for pairs in (canon.over, canon.by))
    return None if over is None or by is None or by <= 0 else over / by


def _mean(pairs: Sequence[Pair], head: Head, at: Mapping[str, Spot], heights: bool) -> float | None:
    lengths = []
    for a, b in pairs:
        one, two = head.points.get(a, ""), head.points.get(b, "")
        if one in at and two in at:
            d = np.subtract(at[one], at[two])
            lengths.append(abs(float(d[1])) if heights else float(np.linalg.norm(d)))
    return float(np.mean(lengths)) if lengths else None
