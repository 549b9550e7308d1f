"""What every human fault in holding the stick is: a size in the hand, and an error in the reading.

The size of each comes from the geometry of eye, stick and subject; see each module.
"""

from __future__ import annotations

import math
from abc import ABC, abstractmethod
from dataclasses import dataclass
from typing import ClassVar

import numpy as np

from zirkel.core.subject.stick import Holding


@dataclass(frozen=True, slots=True)
class Asked:
    """What is being read: its kind, how it is held, its length in units and its tilt (radians
    clockwise from upright); `through_take` runs from 0 to 1 as the take goes on."""

    kind: str
    along: str | None
    length: float
    tilt: float
    through_take: float = 0.0


@dataclass(frozen=True, slots=True)
class Error:
    """What a fault does: a factor on counts, a shift in units, a turn in radians."""

    factor: float = 1.0
    shift: float = 0.0
    turn: float = 0.0


class Fault(ABC):
    """One human fault. Subclasses give its name, what it is, and its error."""

    name: ClassVar[str]
    size_in: ClassVar[str]
    """The unit of its size: mm or degrees."""
    usual: ClassVar[float]
    most: ClassVar[float]

    @classmethod
    @abstractmethod
    def error(cls, size: float, asked: Asked, hold: Holding, rng: np.random.Generator) -> Error:
        """What one reading suffers."""


def sideways(asked: Asked, out: float) -> Error:
    """What an eye that moves sideways does, `out` in units over the subject: level lengths and
    plumb drops are shifted whole, straight ones by the share that lies level, tilts are turned over
    their own length; upright lengths and levels don't suffer."""
    if asked.kind == "drop" or (asked.kind == "span" and asked.along == "level"):
        return Error(shift=out)
    if asked.kind == "span" and asked.along == "straight":
        return Error(shift=out * math.sin(asked.tilt))
    if asked.kind == "tilt":
        return Error(turn=out * math.cos(asked.tilt) / max(asked.length, 0.05))
    return Error()
