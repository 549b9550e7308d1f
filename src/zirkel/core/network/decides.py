"""The reading that would make one landmark surest: where drawing and plan differ and neither is
sure, it decides between them."""

from __future__ import annotations

from collections.abc import Collection

import numpy as np

from zirkel.core.network.adjust import Adjustment
from zirkel.core.network.candidates import all_candidates, gains_of, prior_cofactor
from zirkel.core.network.what_next import Suggestion, suggestion


def decides(adjusted: Adjustment, landmark: str, unseen: Collection[str] = ()) -> Suggestion | None:
    """The reading after which that landmark's place is surest; None where none tells of it."""
    candidates = all_candidates(adjusted, unseen, again=True)
    if not len(candidates.sigma):
        return None
    cofactor = prior_cofactor(adjusted)
    weights = np.zeros(len(cofactor))
    at = 2 * adjusted.network.index[landmark]
    weights[at : at + 2] = 1.0
    gain = gains_of(candidates, cofactor, weights)
    best = int(np.argmax(gain))
    share = float(gain[best] / max(float(cofactor.diagonal()[at : at + 2].sum()), 1e-12))
    return suggestion(adjusted, candidates, cofactor, best, share) if share > 0.0 else None
