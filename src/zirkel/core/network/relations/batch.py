"""What the finders look at, and what each hands over: candidates of one kind as arrays."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from zirkel.core.arrays import Array, Flags, Indices
from zirkel.core.sightings import Sighting
from zirkel.core.sightings.base import Columns

CLOSE_ENOUGH = 0.06
"""Nothing further off than this, in units or as a share, is called a relation."""


@dataclass(frozen=True, slots=True)
class View:
    """What is looked at of the solved drawing: landmarks by id (n), the share of each by its tier
    (n,), places (n, 2), covariance (2n, 2n), edges that mean something (m, 2)."""

    ids: tuple[str, ...]
    share: Array
    places: Array
    covariance: Array
    edges: Indices
    extent: float
    """Larger side of the box round all landmarks."""
    firm: Flags
    """(n,) which landmarks are held and not in doubt."""
    pencil: float
    """What a pencil line shows, in units."""

    def pairs(self) -> tuple[Indices, Indices]:
        """All pairs of landmarks, i < j."""
        return np.triu_indices(len(self.places), 1)


@dataclass(frozen=True, slots=True)
class Batch:
    """k candidates of one kind and way of measuring.

    where (k, L) landmark numbers in the order of the kind's equation; value (k,) the simple value
    in the unit computed with; size (k,) the length, in units, that the relation spans; simplicity
    (k,) between 0 and 1.
    """

    kind: type[Sighting]
    along: str | None
    where: Indices
    value: Array
    size: Array
    simplicity: Array

    def only(self, keep: NDArray[np.bool_]) -> Batch:
        """Those of the candidates that are to be kept."""
        return Batch(
            self.kind,
            self.along,
            self.where[keep],
            self.value[keep],
            self.size[keep],
            self.simplicity[keep],
        )

    def columns(self) -> Columns:
        """The constants of the kind's equation."""
        k = len(self.where)
        aim = np.zeros((k, 2))
        if self.along in ("level", "plumb"):
            aim[:, 0 if self.along == "level" else 1] = 1.0
        elif self.kind.kind in ("drop", "level"):
            aim[:, 0 if self.kind.kind == "drop" else 1] = 1.0
        return Columns(self.value, aim, np.full(k, self.along == "straight"))
