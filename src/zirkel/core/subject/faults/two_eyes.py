"""Two eyes open: now and then one end is seen with the one eye, the other end with the other.

Equation: as for a sway of the whole distance between the eyes.
"""

from __future__ import annotations

from typing import ClassVar

import numpy as np

from zirkel.core.subject.faults.base import Asked, Error, Fault, sideways
from zirkel.core.subject.faults.sway import moves_over_subject
from zirkel.core.subject.stick import Holding

HOW_OFTEN = 0.15
"""Share of readings in which the eyes are mixed up."""


class TwoEyes(Fault):
    """Both eyes open."""

    name: ClassVar[str] = "two_eyes"
    size_in: ClassVar[str] = "mm"
    usual: ClassVar[float] = 63.0
    most: ClassVar[float] = 80.0

    @classmethod
    def error(cls, size: float, asked: Asked, hold: Holding, rng: np.random.Generator) -> Error:
        """A great shift sideways in some readings, none in the others."""
        mixed = rng.random() < HOW_OFTEN
        way = 1.0 if rng.random() < 0.5 else -1.0
        out = way * moves_over_subject(hold, size) / hold.unit_mm
        return sideways(asked, out) if mixed else Error()
