"""What sentences about a check are made of: names of marks together, ways on the sheet."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from zirkel.core.check.correct import Check
from zirkel.core.study import Study
from zirkel.core.words.base import Words

LITTLE_MM = 1.0
"""A part of a move that is less than this is not worth a word."""

MANY = 4
STRAY = 0.25
"""The share of landmarks that may belong to none of the shapes by which they are called."""

EDGES = {"left": "the left edge", "right": "the right edge", "top": "the top edge",
         "bottom": "the bottom edge"}  # fmt: skip


@dataclass(frozen=True, slots=True)
class About:
    """What sentences are about: the study, its words, and the check."""

    study: Study
    words: Words
    check: Check

    def spot(self, name: str) -> int:
        """Number of a landmark in the drawing."""
        return self.check.drawing.ids.index(name)

    def shape_of(self, landmarks: Sequence[str]) -> str | None:
        """The name of the shape that has most of these landmarks and little else, if there is
        one."""
        held = set(landmarks)
        best, share = None, 0.6
        for shape in self.study.shapes:
            own = set(shape.outline) & set(self.check.drawing.ids)
            alike = len(own & held) / len(own | held) if own else 0.0
            if alike > share:
                best, share = shape.name, alike
        return best

    def shapes_of(self, landmarks: Sequence[str]) -> list[str]:
        """The names of the shapes that these landmarks are made of, if they hold little else."""
        left, made = set(landmarks), []
        drawn = set(self.check.drawing.ids)
        for shape in sorted(self.study.shapes, key=lambda each: -len(each.outline)):
            own = set(shape.outline) & drawn
            if own and own <= set(landmarks) and own & left:
                left -= own
                made.append(shape.name)
        return made if len(left) <= STRAY * len(landmarks) else []

    def called(self, landmarks: Sequence[str]) -> str:
        """These landmarks together: a shape's name, or their own."""
        names = [self.words.of(each) for each in landmarks]
        if len(names) == 1:
            return names[0]
        return self.shape_of(landmarks) or self._hanging(landmarks) or self._some(landmarks, names)

    def _hanging(self, landmarks: Sequence[str]) -> str | None:
        """One landmark and all that was placed from it, if they are that."""
        ids = self.check.drawing.ids
        for first, members in self.check.drawing.hanging:
            if set(landmarks) == {ids[i] for i in members}:
                return f"{self.words.of(ids[first])} and all that hangs on it"
        return None

    def _some(self, landmarks: Sequence[str], names: Sequence[str]) -> str:
        """By shapes, by the few that are not among them, or by the first of their own names."""
        shapes = self.shapes_of(landmarks)
        if 1 < len(shapes) <= MANY:
            return listed(shapes)
        others = [each for each in self.check.drawing.ids if each not in set(landmarks)]
        if len(names) > MANY and len(others) <= MANY:
            return f"All but {listed([self.words.of(each) for each in others])}"
        if len(names) <= MANY:
            return listed(names)
        return f"{names[0]}, {names[1]} and {len(names) - 2} more round them"


def listed(names: Sequence[str]) -> str:
    """Names one after the other: "a, b and c"."""
    return " and ".join([", ".join(names[:-1]), names[-1]]) if len(names) > 1 else "".join(names)


def say_way(words: Words, dx: float, dy: float) -> str:
    """A move on the sheet: "6 mm to the left and 2 mm down"."""
    return _both_ways(words, dx, dy, ("to the left", "to the right"), ("up", "down"))


def say_where(words: Words, dx: float, dy: float) -> str:
    """How something stands off: "6 mm too far right and 2 mm too low"."""
    return _both_ways(words, dx, dy, ("too far left", "too far right"), ("too high", "too low"))


def _both_ways(
    words: Words, dx: float, dy: float, across: tuple[str, str], down: tuple[str, str]
) -> str:
    """The larger of the two always, the other where it can be seen; names (negative, positive)."""
    parts = []
    if abs(dx) >= LITTLE_MM or abs(dx) >= abs(dy):
        parts.append(f"{_drawn(words, dx)} {across[int(dx > 0)]}")
    if abs(dy) >= LITTLE_MM or abs(dy) > abs(dx):
        parts.append(f"{_drawn(words, dy)} {down[int(dy > 0)]}")
    return " and ".join(parts)


def _drawn(words: Words, mm: float) -> str:
    """A length as a hand can draw it: to half a millimetre."""
    return words.length(round(2.0 * abs(mm)) / 2.0)
