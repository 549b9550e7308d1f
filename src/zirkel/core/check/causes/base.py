"""A cause: how a drawing goes wrong in one way, by how much, and what naming it takes."""

from __future__ import annotations

import math
from collections.abc import Callable
from dataclasses import dataclass
from typing import Any

from zirkel.core.arrays import Array, Indices


@dataclass(frozen=True, slots=True)
class Fault:
    """What went wrong: its kind, its amount by name, the landmarks it is on (empty: the whole), and
    how far each landmark (n, 2) was moved by it, in mm."""

    kind: str
    amount: dict[str, Any]
    landmarks: tuple[str, ...]
    moved: Array


@dataclass(frozen=True, slots=True)
class Candidate:
    """One cause that may have been at work. `columns` (2n, p) say how one of each amount moves
    every landmark; `prior` (p,) how large amounts usually are, one standard deviation about `mean`;
    `alternatives` how many like it there are to choose among; `told` makes the fault of the amounts
    (p,). `known` is what else speaks for it or against, as -2 ln of a likelihood ratio."""

    kind: str
    columns: Array
    prior: Array
    alternatives: float
    members: Indices
    told: Callable[[Array], dict[str, Any]]
    mean: float = 0.0
    known: float = 0.0
    exact: Callable[[Array, Array], Array] | None = None
    """Where places (n, 2) about the drawing's middle come to lie by amounts (p,), where those may
    be so large that the columns alone don't tell: a turn by 15 degrees is no shear."""

    @property
    def price(self) -> float:
        """What naming it costs, in -2 ln evidence."""
        return 2.0 * math.log(self.alternatives) + self.known


def one_amount(name: str, base: float = 0.0, **also: Any) -> Callable[[Array], dict[str, Any]]:
    """What tells a fault of one amount: `base` and it under that name, and what else is known."""
    return lambda amounts: {**also, name: base + float(amounts[0])}
