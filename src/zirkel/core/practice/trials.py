"""Trials of the eye: what was so, what the eye said, and by how much it erred."""

from __future__ import annotations

from dataclasses import dataclass

MEASURES = ("relative", "share", "degrees", "steps", "units")


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

    @property
    def error(self) -> float:
        """The error in the measure's own unit: a share of the truth where it is relative, degrees
        folded to ±90."""
        if self.measure == "relative":
            return self.answer / self.truth - 1.0
        off = self.answer - self.truth
        return (off + 90.0) % 180.0 - 90.0 if self.measure == "degrees" else off
