"""The real subject's photograph, as its truth: taken in, its landmarks tapped."""

from __future__ import annotations

from dataclasses import replace
from typing import Literal

from zirkel.commands.base import Change, expect
from zirkel.core.study import Study
from zirkel.errors import BadInput
from zirkel.studyfile.entries import Id, Point
from zirkel.studyfile.schema import FileSubjectPhotograph


class SetSubjectPhotograph(Change):
    """Take in a photograph of the subject, or tap along an edge on it; null takes it away. What was
    tapped stays on the same photograph and goes with another."""

    type: Literal["set_subject_photograph"] = "set_subject_photograph"
    photograph: FileSubjectPhotograph | None

    def made(self, study: Study) -> Study:
        """The study with that photograph."""
        old, new = study.subject_photograph, self.photograph
        same = old is not None and new is not None and old.picture == new.picture
        if new is not None:
            for x, y in new.edge:
                _expect_inside(x, y, new.width, new.height)
        tapped = study.photographed if same else {}
        return replace(study, subject_photograph=new, photographed=tapped)

    def label(self, before: Study, after: Study) -> str:
        """What was done with it."""
        if after.subject_photograph is None:
            return "Take the subject's photograph away"
        old = before.subject_photograph
        same = old is not None and old.picture == after.subject_photograph.picture
        return "Tap along an edge" if same else "Take in a photograph of the subject"


class MarkPhotographed(Change):
    """Say where a landmark is on the subject's photograph, in pixels; null takes that back."""

    type: Literal["mark_photographed"] = "mark_photographed"
    landmark: Id
    at: Point | None

    def made(self, study: Study) -> Study:
        """The study with the landmark tapped there."""
        held = any(each.id == self.landmark for each in study.landmarks)
        expect(held, "landmark", "landmark", self.landmark)
        photograph = study.subject_photograph
        if photograph is None:
            raise BadInput("landmark", "take in a photograph of the subject first")
        tapped = {name: at for name, at in study.photographed.items() if name != self.landmark}
        if self.at is not None:
            _expect_inside(*self.at, photograph.width, photograph.height)
            tapped[self.landmark] = self.at
        return replace(study, photographed=tapped)

    def label(self, before: Study, after: Study) -> str:
        """Which landmark."""
        name = next((each.name for each in after.landmarks if each.id == self.landmark), "")
        return f"Tap {name} on the photograph" if self.at else f"Take the tap of {name} back"


def _expect_inside(x: float, y: float, width: int, height: int) -> None:
    if not (0.0 <= x <= width and 0.0 <= y <= height):
        raise BadInput("at", f"({x:g}, {y:g}) is not on the photograph: {width} × {height} pixels")
