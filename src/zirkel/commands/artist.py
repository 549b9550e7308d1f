"""What the artist says of the own counting and the own hand."""

from __future__ import annotations

from dataclasses import replace
from typing import Annotated, Literal

from pydantic import Field

from zirkel.commands.base import Change
from zirkel.core.artist import CountedTo, Leanings, OwnHand
from zirkel.core.study import Study
from zirkel.studyfile.entries import Factor, Finite


class SetCounting(Change):
    """How finely readings are counted: to so many units, tilts to so many degrees; null for what is
    usual."""

    type: Literal["set_counting"] = "set_counting"
    units: Annotated[Finite, Field(gt=0.0, le=100.0)] | None = None
    degrees: Annotated[Finite, Field(gt=0.0, le=90.0)] | None = None

    def made(self, study: Study) -> Study:
        """The study counted so; said once, it is not asked again."""
        return replace(study, counted_to=CountedTo(self.units, self.degrees))

    def label(self, before: Study, after: Study) -> str:
        """That it was said."""
        return "Say how finely you count"


class SetHand(Change):
    """How the own hand errs on the sheet; null for the usual hand."""

    type: Literal["set_hand"] = "set_hand"
    length: Annotated[Finite, Field(gt=0.0, le=0.5)] | None = None
    tilt_degrees: Annotated[Finite, Field(gt=0.0, le=45.0)] | None = None
    part: Annotated[Finite, Field(gt=0.0, le=0.5)] | None = None

    def made(self, study: Study) -> Study:
        """The study drawn by that hand."""
        own = (self.length, self.tilt_degrees, self.part)
        return replace(study, hand=None if own == (None, None, None) else OwnHand(*own))

    def label(self, before: Study, after: Study) -> str:
        """That it was said."""
        return "Say how your hand errs" if after.hand else "Draw by the usual hand"


class SetLeanings(Change):
    """What the own readings do always: lengths too long (+) or too short (-) by a share, tilts
    clockwise (+) by degrees; nothing of either for a hand that is taken as it reads. With it, where
    it is told, how many times what is usual each kind of reading errs by."""

    type: Literal["set_leanings"] = "set_leanings"
    length: Annotated[Finite, Field(ge=-0.3, le=0.3)] = 0.0
    tilt_degrees: Annotated[Finite, Field(ge=-20.0, le=20.0)] = 0.0
    trust: dict[str, Factor] = Field(default_factory=dict)

    def made(self, study: Study) -> Study:
        """The study adjusted so; said once, it is not asked again."""
        own = Leanings(self.length, self.tilt_degrees)
        return replace(study, leanings=own, trust={**study.trust, **self.trust})

    def label(self, before: Study, after: Study) -> str:
        """That it was said."""
        if self.length or self.tilt_degrees:
            return "Take out what your hand does"
        return "Set trust in readings" if self.trust else "Take readings as they are"
