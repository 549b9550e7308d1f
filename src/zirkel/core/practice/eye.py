"""What a record says of an eye in one exercise: bias, spread, change, and when that is known.

Whoever looks every day finds something by chance sooner or later. The bound for a verdict is wide
enough for any number of looks: with information V = sd^-2 on the change, an eye that does not
change ever passes

    sqrt((1 + u) ln((1 + u) / (u FALSE^2))) standard deviations,  u = TUNED / V,

with probability FALSE at most (H. Robbins 1970, *Statistical methods related to the law of the
iterated logarithm*: the mixture of likelihood ratios over all changes is a martingale). TUNED is
such that the bound is least, 3.04 sd, after some eight weeks of twenty answers.
"""

from __future__ import annotations

import math
from dataclasses import dataclass

from scipy.special import ndtr, stdtrit

FALSE, TUNED, MOST_BOUND = 0.08, 220.0, 8.0
FEWEST, SHORTEST_WEEKS = 30, 2.0
"""Trials and weeks below which a change is not known."""

BETTER, WORSE, UNKNOWN = "better", "worse", "not known yet"


@dataclass(frozen=True, slots=True)
class Change:
    """Change of ln(spread) per week, its sd, and the verdict; None where too little tells."""

    per_week: float | None
    sd: float | None
    verdict: str


NO_CHANGE_KNOWN = Change(None, None, UNKNOWN)


@dataclass(frozen=True, slots=True)
class Eye:
    """What the trials of one exercise say: bias and spread as they are now, with their sd; None
    where there are too few."""

    exercise: str
    measure: str
    trials: int
    bias: float | None
    bias_sd: float | None
    spread: float | None
    spread_sd: float | None
    lapses: float
    change: Change

    @property
    def error(self) -> float | None:
        """Root mean square error to be expected of the next answer, slips aside."""
        if self.bias is None or self.spread is None:
            return None
        return float((self.bias**2 + self.spread**2) ** 0.5)

    @property
    def leans(self) -> bool:
        """Whether the eye errs more to one side, as far as that is known."""
        return self.bias is not None and abs(self.bias) > 2.0 * (self.bias_sd or 0.0)


def judged(slope: float, sd: float, freedom: float) -> Change:
    """A slope of ln(spread) per week with its verdict; the slope's own error is as unsure as
    Student's t of so many degrees of freedom has it."""
    u = TUNED * sd**2
    often = min(math.sqrt((1.0 + u) * math.log((1.0 + u) / (u * FALSE**2))), MOST_BOUND)
    bound = float(stdtrit(max(freedom, 1.0), float(ndtr(often))))
    if abs(slope) <= bound * sd:
        return Change(slope, sd, UNKNOWN)
    return Change(slope, sd, BETTER if slope < 0 else WORSE)
