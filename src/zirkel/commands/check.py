"""The drawing on its sheet: its photograph, what is measured of it, checks, and going on."""

from __future__ import annotations

from dataclasses import replace
from datetime import UTC, datetime
from typing import Annotated, Literal

import numpy as np
from pydantic import Field, PrivateAttr

from zirkel.commands.base import Change, expect, free_id
from zirkel.core.check.correct import Check
from zirkel.core.check.gate import earned
from zirkel.core.check.photograph import flattening_of, sigma_of
from zirkel.core.drawn import MOST_CHECKS, WentOn
from zirkel.core.study import Study
from zirkel.core.words.base import Words
from zirkel.core.words.checked import About
from zirkel.core.words.kept_check import kept_check
from zirkel.core.words.sightings import say_reading
from zirkel.errors import BadInput
from zirkel.store.store import Stored
from zirkel.studyfile.entries import Id, Point
from zirkel.studyfile.references import check_references
from zirkel.studyfile.schema import FileEyeGuess, FilePhotograph, FileRuled, FileTolerances
from zirkel.studyfile.sightings import AnySighting, sighting_to_core

OUTSIDE_MM = 50.0
"""How far outside the sheet a drawn landmark may be marked: lines do run off the page."""


class SetPhotograph(Change):
    """Look at the drawing in a photograph, or move the corners of its sheet. Landmarks that were
    marked keep to their pixels in the same photograph; in another one they are marked anew."""

    type: Literal["set_photograph"] = "set_photograph"
    photograph: FilePhotograph | None

    def made(self, study: Study) -> Study:
        """The study with that photograph."""
        old, new = study.photograph, self.photograph
        if new is None:
            return replace(study, photograph=None)
        drawn = {}
        if old is not None and old.picture == new.picture and study.drawn:
            at = np.array(list(study.drawn.values()))
            pixels = flattening_of(old, study.sheet).to_picture(at)
            moved = flattening_of(new, study.sheet).to_sheet(pixels)
            drawn = {
                name: (round(float(x), 2), round(float(y), 2))
                for name, (x, y) in zip(study.drawn, moved, strict=True)
            }
        return _measured_on(replace(study, photograph=new, drawn=drawn))

    def label(self, before: Study, after: Study) -> str:
        """What was done with it."""
        if after.photograph is None:
            return "Take the photograph away"
        same = before.photograph and before.photograph.picture == after.photograph.picture
        return "Set the corners of the sheet" if same else "Take in a photograph of the drawing"


class MarkDrawn(Change):
    """Say where a landmark sits on the sheet; null takes that back."""

    type: Literal["mark_drawn"] = "mark_drawn"
    landmark: Id
    at: Point | None

    def made(self, study: Study) -> Study:
        """The study with the landmark marked there."""
        _expect_landmark(study, self.landmark)
        drawn = {name: at for name, at in study.drawn.items() if name != self.landmark}
        if self.at is not None:
            x, y = self.at
            inside = (
                -OUTSIDE_MM <= x <= study.sheet.width_mm + OUTSIDE_MM
                and -OUTSIDE_MM <= y <= study.sheet.height_mm + OUTSIDE_MM
            )
            if not inside:
                raise BadInput("at", f"({x:g}, {y:g}) mm is not on the sheet: mark it there")
            drawn[self.landmark] = self.at
        return _measured_on(replace(study, drawn=drawn))

    def label(self, before: Study, after: Study) -> str:
        """Which landmark."""
        name = next((each.name for each in after.landmarks if each.id == self.landmark), "")
        return f"Mark {name} on the drawing" if self.at else f"Take the mark of {name} back"


def _measured_on(study: Study) -> Study:
    """The study with the accuracy that its photograph allows."""
    if study.photograph is None or not study.drawn:
        return study
    sigma = sigma_of(study.photograph, study.sheet, study.drawn.values())
    return replace(study, drawn_sigma_mm=sigma)


class RuleDrawing(Change):
    """Enter a length ruled on the drawing; one like it that was there is replaced."""

    type: Literal["rule_drawing"] = "rule_drawing"
    ruled: FileRuled

    def made(self, study: Study) -> Study:
        """The study with that length."""
        new = self.ruled
        kept = tuple(
            each for each in study.ruled
            if (each.landmark, each.side, each.start, each.along)
            != (new.landmark, new.side, new.start, new.along)
        )  # fmt: skip
        taken = [each.id for each in kept] + [each.id for each in study.resighted]
        after = replace(study, ruled=(*kept, replace(new, id=free_id("ruled", taken))))
        check_references(after)
        return after

    def label(self, before: Study, after: Study) -> str:
        """That it was ruled."""
        return f"Rule {self.ruled.mm:g} mm on the drawing"


class ResightDrawing(Change):
    """Enter a ratio or tilt sighted on the drawing as on the subject."""

    type: Literal["resight_drawing"] = "resight_drawing"
    sighting: AnySighting

    def made(self, study: Study) -> Study:
        """The study with that sighting of the drawing."""
        taken = [each.id for each in study.ruled] + [each.id for each in study.resighted]
        new = replace(sighting_to_core(self.sighting), id=free_id("resighted", taken))
        after = replace(study, resighted=(*study.resighted, new))
        check_references(after)
        return after

    def label(self, before: Study, after: Study) -> str:
        """The reading in words."""
        return f"On the drawing: {say_reading(after, after.resighted[-1])}"


class DropMeasure(Change):
    """Take back a length or a sighting of the drawing."""

    type: Literal["drop_measure"] = "drop_measure"
    id: Id

    def made(self, study: Study) -> Study:
        """The study without it."""
        ids = {each.id for each in study.ruled} | {each.id for each in study.resighted}
        expect(self.id in ids, "id", "measure", self.id)
        return replace(
            study,
            ruled=tuple(each for each in study.ruled if each.id != self.id),
            resighted=tuple(each for each in study.resighted if each.id != self.id),
        )

    def label(self, before: Study, after: Study) -> str:
        """That it was taken back."""
        return "Take back a measure of the drawing"


class SetChecking(Change):
    """How the drawing is judged: against what, and how closely."""

    type: Literal["set_checking"] = "set_checking"
    against: Literal["plan", "proportions"] = "plan"
    manner: Literal["copy", "free"] | None = None
    tolerance: FileTolerances | None = None

    def made(self, study: Study) -> Study:
        """The study to be judged so."""
        against = None if self.against == "plan" else self.against
        own = self.tolerance
        none = own is None or (own.large is None and own.middle is None and own.detail is None)
        tolerance = None if none else own
        return replace(study, check_against=against, manner=self.manner, tolerance=tolerance)

    def label(self, before: Study, after: Study) -> str:
        """That it was set."""
        return "Set how the drawing is judged"


class SetDrawnBy(Change):
    """Say whether each mark was to sit where the plan has it, or was looked for by eye."""

    type: Literal["set_drawn_by"] = "set_drawn_by"
    by: Literal["recipe", "eye"]

    def made(self, study: Study) -> Study:
        """The study drawn so."""
        return replace(study, drawn_by=None if self.by == "eye" else self.by)

    def label(self, before: Study, after: Study) -> str:
        """Which of the two."""
        return "Drawn by the recipe" if after.drawn_by == "recipe" else "Drawn by eye"


class SetEyeFirst(Change):
    """Have the eye speak before anything is measured or shown, or not."""

    type: Literal["set_eye_first"] = "set_eye_first"
    on: bool

    def made(self, study: Study) -> Study:
        """The study with the eye first, or not."""
        return replace(study, eye_first=self.on)

    def label(self, before: Study, after: Study) -> str:
        """Which of the two."""
        return "Look first, then measure" if after.eye_first else "Measure without a guess"


class KeepCheck(Change):
    """Check the drawing and keep what was found, with what the eye had said before."""

    type: Literal["keep_check"] = "keep_check"
    guesses: Annotated[list[FileEyeGuess], Field(max_length=200, default_factory=list)]
    _found: Check | None = PrivateAttr(default=None)
    _words: Words | None = PrivateAttr(default=None)

    def before(self, stored: Stored) -> Change:
        """With the check itself, as the study stands."""
        found = stored.worked.checked
        if found is None:
            raise BadInput("drawn", "measure at least three landmarks of the drawing first")
        for each in self.guesses:
            if each.landmark is not None:
                _expect_landmark(stored.study, each.landmark)
        made = self.model_copy()
        made._found, made._words = found, stored.worked.words
        return made

    def made(self, study: Study) -> Study:
        """The study with the check kept."""
        if self._found is None or self._words is None:
            raise BadInput("drawn", "there is no check to keep")
        if len(study.checks) >= MOST_CHECKS:
            raise BadInput(
                "checks",
                f"{MOST_CHECKS} checks of this drawing are kept already, which is the most: "
                "copy the study to go on",
            )
        name = free_id("check", [each.id for each in study.checks])
        now = datetime.now(UTC).isoformat(timespec="seconds")
        about = About(study, self._words, self._found)
        return replace(study, checks=(*study.checks, kept_check(about, name, now, self.guesses)))

    def label(self, before: Study, after: Study) -> str:
        """Which check it was."""
        return f"Check {len(after.checks)} of the drawing"


class TickMove(Change):
    """Say that a correction has been made on the paper, or not."""

    type: Literal["tick_move"] = "tick_move"
    check: Id
    number: int = Field(ge=0, le=1000)
    done: bool = True

    def made(self, study: Study) -> Study:
        """The study with that correction ticked."""
        kept = next((each for each in study.checks if each.id == self.check), None)
        expect(kept is not None, "check", "check", self.check)
        assert kept is not None
        expect(self.number < len(kept.moves), "number", "correction", str(self.number))
        moves = tuple(
            replace(each, done=self.done) if i == self.number else each
            for i, each in enumerate(kept.moves)
        )
        new = replace(kept, moves=moves)
        return replace(
            study, checks=tuple(new if each.id == self.check else each for each in study.checks)
        )

    def label(self, before: Study, after: Study) -> str:
        """That it was made."""
        return "Tick off a correction" if self.done else "A correction is still to be made"


class GoOn(Change):
    """Go on to smaller shapes, whether a check has earned it or not."""

    type: Literal["go_on"] = "go_on"
    tier: int = Field(ge=2, le=3)

    def made(self, study: Study) -> Study:
        """The study with that on record."""
        now = datetime.now(UTC).isoformat(timespec="seconds")
        name = free_id("went", [each.id for each in study.went_on])
        gone = WentOn(name, self.tier, now, self.tier <= earned(study))
        return replace(study, went_on=(*study.went_on, gone)[-MOST_CHECKS:])

    def label(self, before: Study, after: Study) -> str:
        """To what."""
        return "Go on to the middle shapes" if self.tier == 2 else "Go on to detail"


def _expect_landmark(study: Study, name: str) -> None:
    known = any(each.id == name for each in study.landmarks)
    expect(known, "landmark", "landmark", name)
