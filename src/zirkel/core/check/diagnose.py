"""How a drawing is off: its faults, most important first, how sure the first is, and what no usual
cause explains (see `search` for how causes are found).
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.check.causes import Candidate
from zirkel.core.check.causes.base import Fault
from zirkel.core.check.drawing import Drawing
from zirkel.core.check.search import MEASURED, Model, Search, fault_of, moved_in_turn
from zirkel.core.check.tolerance import by_eye, left_over, tolerances


@dataclass(frozen=True, slots=True)
class Diagnosis:
    """Faults, most important first; the model behind them; another first cause that comes near."""

    faults: tuple[Fault, ...]
    model: Model
    runner_up: Fault | None
    order: tuple[int, ...]
    """Number in the model of each fault's cause."""
    sure: float | None = None
    """The chance that the first fault is the right one; None where there is none."""
    unexplained: Unexplained | None = None

    @property
    def errs(self) -> float:
        """The factor on what measuring the drawing errs; marks that lie scattered are no excuse."""
        return self.model.measure if self.model.measure in MEASURED else MEASURED[0]


@dataclass(frozen=True, slots=True)
class Unexplained:
    """What few causes don't explain though it is more than noise: its share of all squares, and the
    landmarks that show it."""

    share: float
    landmarks: tuple[str, ...]


A_SLIP = 2.0
"""So many of the tolerances of a drawing by eye, a landmark that is off is more than a slip."""

LEAST_OFF, SHARE_OFF = 4, 0.15
"""So many landmarks at least, and such a share of all, where none of the usual causes fits."""


def diagnose(drawing: Drawing) -> Diagnosis:
    """The faults of a drawing."""
    search = Search(drawing)
    model = search.unpulled(search.best())
    order = sorted(range(len(model.causes)), key=lambda i: search.rank(model, i))
    moved = moved_in_turn(drawing, model.causes, model.amounts)
    faults = tuple(fault_of(drawing, model.causes[i], model.amounts[i], moved[i]) for i in order)
    return Diagnosis(
        faults, model, search.runner_up(model, order), tuple(order), search.sure(model, order),
        _unexplained(drawing, model, faults),
    )  # fmt: skip


def _unexplained(drawing: Drawing, model: Model, faults: Sequence[Fault]) -> Unexplained | None:
    """What these faults leave, if it is more than measuring errs and too much for single slips."""
    if model.measure <= MEASURED[-1]:
        return None
    left = left_over(drawing, faults)
    size = np.hypot(*left.T)
    far = size > np.maximum(A_SLIP * by_eye(drawing), tolerances(drawing))
    if far.sum() < max(LEAST_OFF, SHARE_OFF * len(size)):
        return None
    share = float((left**2).sum() / (left_over(drawing, ()) ** 2).sum())
    worst = sorted(np.flatnonzero(far), key=lambda i: -size[i])
    return Unexplained(share, tuple(drawing.ids[i] for i in worst))


def instead_of(
    drawing: Drawing, found: Diagnosis, number: int, pool: Sequence[Candidate]
) -> tuple[Candidate, Array] | None:
    """The candidate that explains better than fault number so-and-so what that one does, and its
    amounts; None where none does."""
    if not pool:
        return None
    search = Search(drawing)
    rest = tuple(each for i, each in enumerate(found.model.causes) if i != found.order[number])
    best = min(search.offers(search.fitted(rest), pool), key=lambda pair: pair[0])
    if best[0] > found.model.score:
        return None
    made = search.unpulled(search.fitted((*rest, best[1])))
    return best[1], made.amounts[-1]
