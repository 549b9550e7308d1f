"""Which one reading would hold a landmark that is loose: from one that stands, across the way in
which it could slide."""

from __future__ import annotations

from collections.abc import Collection, Mapping

import numpy as np

from zirkel.core.network.adjust import Adjustment
from zirkel.core.network.candidates import (
    all_candidates,
    gains_of,
    prior_cofactor,
)
from zirkel.core.network.what_next import Suggestion, suggestion

MOST = 12
"""Loose landmarks for which a reading is looked for, the large shapes' first."""


def what_holds(
    adjusted: Adjustment, sliding: Mapping[str, str | float], unseen: Collection[str] = ()
) -> dict[str, Suggestion]:
    """By landmark that is loose, the reading that would take most of its slack; none for those that
    no reading from what stands could hold."""
    net = adjusted.network
    tier = {each.id: each.tier for each in net.study.landmarks}
    loose = sorted((n for n in sliding if n not in unseen), key=lambda name: tier[name])[:MOST]
    if not loose or net.study.unit is None:
        return {}
    candidates = all_candidates(adjusted, unseen)
    cofactor = prior_cofactor(adjusted)
    stands = np.array([name not in sliding for name in net.ids])
    i, j = candidates.pair.T
    made = {}
    for name in loose:
        number = net.index[name]
        weights = np.zeros(len(cofactor))
        weights[2 * number : 2 * number + 2] = 1.0
        ties = ((i == number) & stands[j]) | ((j == number) & stands[i])
        gain = np.where(ties, gains_of(candidates, cofactor, weights), 0.0)
        if len(gain) and gain.max() > 0.0:
            best = int(gain.argmax())
            share = float(gain[best] / (weights @ cofactor.diagonal()))
            made[name] = suggestion(adjusted, candidates, cofactor, best, share, settled=number)
    return made
