"""What the record says of the artist's eye in the work itself: its error in each kind of reading,
and how exactly it parts lengths.

Guesses made on the bench before measuring are the eye at its own work, so they count first; while
they are too few, the exercises that train the same kind speak instead. A guess's truth was
measured with the stick, whose own error is a little of the spread.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from zirkel.core.practice.exercises import LINES
from zirkel.core.practice.eye import Eye
from zirkel.core.practice.guesses import GUESSED

ON_THE_BENCH = "bench_"
FEWEST = 8
"""Trials from which a record is worth a word in the work."""


@dataclass(frozen=True, slots=True)
class OwnEye:
    """The eye in one kind of reading: from which line of the record, in what measure."""

    kind: str
    line: str
    eye: Eye
    at_work: bool
    """Whether it was found in guesses on the bench, not in exercises."""

    @property
    def relative(self) -> bool:
        """Whether `sigma` is a share of what is read."""
        return self.eye.measure == "relative"

    @property
    def sigma(self) -> float | None:
        """What a reading of this kind by eye errs by, bias and all, in the reading's own unit or
        as a share of it; None where the record counts otherwise than readings of the kind do."""
        counted = GUESSED[f"{ON_THE_BENCH}{self.kind}"].measure == self.eye.measure
        return self.eye.error if counted and not LINES_OF_CHOICE & {self.line} else None


LINES_OF_CHOICE = frozenset(name for name, line in LINES.items() if line.choice)
"""What one of two is told by says nothing of how closely a length is said."""


def own_eyes(eyes: Mapping[str, Eye]) -> dict[str, OwnEye]:
    """By kind of reading, where enough is known."""
    made: dict[str, OwnEye] = {}
    lines = {
        name: eye for name, eye in eyes.items() if eye.trials >= FEWEST and eye.error is not None
    }
    for name, eye in lines.items():
        if name.startswith(ON_THE_BENCH):
            kind = name.removeprefix(ON_THE_BENCH)
            made[kind] = OwnEye(kind, name, eye, True)
    for name, line in LINES.items():
        for kind in line.kinds:
            if name in lines and (kind not in made or _tells_more(made[kind], lines[name])):
                made[kind] = OwnEye(kind, name, lines[name], False)
    return made


def _tells_more(known: OwnEye, eye: Eye) -> bool:
    return not known.at_work and eye.trials > known.eye.trials


@dataclass(frozen=True, slots=True)
class Parting:
    """How exactly an eye parts lengths and keeps plumb and level: shares of the length."""

    part: float | None
    straight: float | None


def parting(eyes: Mapping[str, Eye]) -> Parting:
    """From halves, thirds and quarters, and from plumbs and levels; None where not known."""
    return Parting(
        _together(eyes, ("half", "third", "quarter"), 1.0),
        _together(eyes, ("plumb", "level"), 0.0174533),
    )


def _together(eyes: Mapping[str, Eye], names: tuple[str, ...], factor: float) -> float | None:
    """Root mean square error over lines, weighted by their trials."""
    known = [eyes[name] for name in names if name in eyes and eyes[name].error is not None]
    count = sum(each.trials for each in known)
    if count < FEWEST:
        return None
    total = sum(each.trials * float(each.error or 0.0) ** 2 for each in known)
    return factor * float((total / count) ** 0.5)
