"""Trials of the eye: what was so, what the eye said, and by how much it erred."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import UTC, datetime

MEASURES = ("relative", "share", "degrees", "steps", "units")


BEGIN = datetime(2000, 1, 1, tzinfo=UTC)
SECONDS_A_DAY = 86_400.0


def day_of(at: datetime) -> float:
    """Days since the fixed day from which trials count; a time without a zone is taken as UTC."""
    aware = at if at.tzinfo is not None else at.replace(tzinfo=UTC)
    return (aware - BEGIN).total_seconds() / SECONDS_A_DAY


@dataclass(frozen=True, slots=True)
class Trial:
    """One trial: the exercise, how it is measured, when (days since any fixed day), truth and
    answer, and how long it took in seconds."""

    exercise: str
    measure: str
    day: float
    truth: float
    answer: float
    seconds: float | None = None
    choice: bool = False
    """Whether one of two had to be chosen: the truth is by how much, the answer the same with the
    sign that was seen."""
    step: int = 0
    """How hard it was made, where that was; 0 for one that was posed plainly."""

    @property
    def error(self) -> float:
        """The error in the measure's own unit: a share of the truth where it is relative, degrees
        folded to ±90."""
        if self.measure == "relative":
            return self.answer / self.truth - 1.0
        off = self.answer - self.truth
        return (off + 90.0) % 180.0 - 90.0 if self.measure == "degrees" else off


def step_shown(extra: Mapping[str, object], choice: bool) -> int:
    """The step of a kept trial, by what was shown of it (`shown.level`)."""
    shown = extra.get("shown")
    level = shown.get("level") if isinstance(shown, Mapping) else None
    return int(level) if not choice and isinstance(level, int | float) and level < 100 else 0
