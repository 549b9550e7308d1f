"""The recipe as the artist wants it: another landmark first, one by eye or left out, one that fell
elsewhere on the sheet."""

from __future__ import annotations

from dataclasses import replace
from typing import Annotated, Literal

from pydantic import Field

from zirkel.commands.base import Change, expect
from zirkel.core.drawn import OwnPlacing
from zirkel.core.study import MOST_LANDMARKS, Study
from zirkel.errors import BadInput
from zirkel.studyfile.entries import Id, Millimetres


class SetOrder(Change):
    """Place these landmarks first, one after the other; none of them for the recipe's own order."""

    type: Literal["set_order"] = "set_order"
    landmarks: Annotated[list[Id], Field(max_length=MOST_LANDMARKS)]

    def made(self, study: Study) -> Study:
        """The study to be placed in that order, each landmark once."""
        for name in self.landmarks:
            _named(study, name)
        return replace(study, own_order=tuple(dict.fromkeys(self.landmarks)))

    def label(self, before: Study, after: Study) -> str:
        """Which landmark was pulled forward."""
        if not after.own_order:
            return "The recipe's own order"
        return f"Place {_named(after, after.own_order[-1])} next"


class SetPlacing(Change):
    """Place a landmark by eye, leave it out, or say where it fell on the sheet, in mm from its left
    and top; `recipe` for the way that the recipe finds."""

    type: Literal["set_placing"] = "set_placing"
    landmark: Id
    how: Literal["recipe", "eye", "left_out", "fell"]
    left: Millimetres | None = None
    top: Millimetres | None = None

    def made(self, study: Study) -> Study:
        """The study with that landmark placed so."""
        _named(study, self.landmark)
        others = tuple(each for each in study.own_placings if each.landmark != self.landmark)
        if self.how == "recipe":
            return replace(study, own_placings=others)
        at = self._measured(study) if self.how == "fell" else None
        return replace(study, own_placings=(*others, OwnPlacing(self.landmark, self.how, at)))

    def _measured(self, study: Study) -> tuple[float, float]:
        """Where it was measured, which must be on the sheet."""
        if self.left is None or self.top is None:
            raise BadInput("left and top", "measure it from the sheet's left and top edges")
        sides = (
            ("left", self.left, study.sheet.width_mm),
            ("top", self.top, study.sheet.height_mm),
        )
        for side, mm, most in sides:
            if not 0.0 <= mm <= most:
                raise BadInput(side, f"{mm:g} mm is not on the sheet, which is {most:g} mm long "
                               "that way")  # fmt: skip
        return self.left, self.top

    def label(self, before: Study, after: Study) -> str:
        """The landmark, and how it is placed."""
        how = {"recipe": "by the recipe", "eye": "by eye", "left_out": "left out",
               "fell": "where it fell"}[self.how]  # fmt: skip
        return f"{_named(after, self.landmark)}: {how}"


def _named(study: Study, landmark: str) -> str:
    """What a landmark is called; BadInput where there is none."""
    name = next((each.name for each in study.landmarks if each.id == landmark), None)
    expect(name is not None, "landmark", "landmark", landmark)
    return name or landmark
