"""What an exercise is: what it trains, how a trial is posed, and what is made of the answer.

A trial is posed from a seed and a level (the difference of a forced choice, or a step), by which
it can be posed again exactly: that is all that is kept of what was shown.
"""

from __future__ import annotations

from abc import ABC, abstractmethod
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import ClassVar
from zlib import crc32

import numpy as np

from zirkel.core.practice.board import Piece, Posed, line
from zirkel.core.subject.scene import Scene

Scenes = Mapping[str, Scene]

HARDEST = 5
"""Steps of an exercise whose answers are set: 1 is easy; what is posed plainly is at none (0)."""


def graded(level: float, plain: float, easy: float, hard: float) -> float:
    """What a step makes of a measure of difficulty: `plain` at none, from `easy` to `hard`."""
    return plain if level < 1.0 else easy + (level - 1.0) / (HARDEST - 1.0) * (hard - easy)


def distractors(rng: np.random.Generator, level: float, tall: float) -> tuple[Piece, ...]:
    """Lines that have nothing to do with what is asked: none below the third step."""
    made = []
    for _ in range(max(int(level) - 2, 0)):
        ends = rng.uniform((0.03, 0.03), (0.97, tall - 0.03), (2, 2))
        made.append(line(*((float(x), float(y)) for x, y in ends), look="thin"))
    return tuple(made)


@dataclass(frozen=True, slots=True)
class Line:
    """One line of the record that an exercise fills: its name there, how its errors are counted,
    and what they are called where they are more, and where they are less, than nothing."""

    name: str
    title: str
    measure: str
    more: str
    less: str
    choice: bool = False
    usual: float = 0.05
    """Error, one standard deviation, that is reckoned with before there are trials."""
    worth_mm: float = 300.0
    """What an error of one of the measure's own units does to a drawing, in mm: that of a length,
    a direction or a place over 300 mm; a step of nine in tone is set against 10 mm."""
    good: float | None = None
    """Error that is good enough to draw by; None for half the usual one."""
    of: str = ""
    """Of what a share is one: "of the length"."""
    kinds: tuple[str, ...] = ()
    """Kinds of sighting that this line speaks of."""

    @property
    def good_enough(self) -> float:
        """Error, one standard deviation, with which one may draw by the eye alone."""
        return 0.5 * self.usual if self.good is None else self.good


@dataclass(frozen=True, slots=True)
class Outcome:
    """What one trial adds to a line of the record."""

    line: Line
    truth: float
    answer: float


class Exercise(ABC):
    """One exercise."""

    name: ClassVar[str]
    title: ClassVar[str]
    trains: ClassVar[str]
    lines: ClassVar[tuple[Line, ...]]
    in_a_drill: ClassVar[int] = 10
    seconds: ClassVar[float] = 6.0
    """How long a trial takes before that is known."""
    fewest: ClassVar[int] = 0
    """Of several places, how many have to be set at least; 0 for all of them."""

    def posed(self, seed: int, level: float | None, scenes: Scenes) -> Posed:
        """The trial of a seed."""
        rng = np.random.default_rng([seed, crc32(self.name.encode())])
        return self.pose(rng, 0.0 if level is None else level, scenes)

    @abstractmethod
    def pose(self, rng: np.random.Generator, level: float, scenes: Scenes) -> Posed:
        """A trial; `level` is how large a difference a forced choice shows, or at which step an
        answer is to be set (0: plainly)."""

    def outcomes(self, posed: Posed, answer: Sequence[float]) -> list[Outcome]:
        """What an answer of as many numbers as the truth adds to the record."""
        return [Outcome(self.lines[0], posed.scale * posed.truth[0], posed.scale * answer[0])]

    def over(self, posed: Posed, answer: Sequence[float]) -> tuple[Piece, ...]:
        """The truth as it is laid over that answer."""
        return posed.laid_over


class Choice(Exercise):
    """A forced choice: one of two, chosen by tapping it. The truth is by how much the right one is
    more, the answer that much with the sign chosen."""

    in_a_drill = 16
    seconds = 3.5

    def outcomes(self, posed: Posed, answer: Sequence[float]) -> list[Outcome]:
        """The difference shown, and the same with the sign that was seen."""
        truth = posed.truth[0]
        return [Outcome(self.lines[0], truth, float(np.copysign(truth, answer[0])))]


def signed(rng: np.random.Generator, level: float) -> float:
    """A difference of either sign."""
    return level if rng.random() < 0.5 else -level
