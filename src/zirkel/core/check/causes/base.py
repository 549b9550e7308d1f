"""A cause: how a drawing goes wrong in one way, by how much, and what naming it takes."""

from __future__ import annotations

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
    every landmark; `prior` (p,) how large amounts usually are, one standard deviation;
    `alternatives` how many like it there are to choose among; `told` makes the fault of the amounts
    (p,)."""

    kind: str
    columns: Array
    prior: Array
    alternatives: float
    members: Indices
    told: Callable[[Array], dict[str, Any]]
