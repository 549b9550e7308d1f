"""What stands in for the subject: a scene and its station, a picture; readings off a picture."""

from __future__ import annotations

from dataclasses import replace
from typing import Literal

from zirkel.commands.base import Change, expect
from zirkel.core.schools import school_of
from zirkel.core.schools.taking_up import taken_up
from zirkel.core.study import PictureSubject, SimulatedSubject, Study, UnitLength
from zirkel.core.subject.flat import (
    computed_readings,
    true_size,
    turn_to_true,
    unit_on_print_mm,
)
from zirkel.errors import BadInput
from zirkel.studyfile.entries import Millimetres, Point
from zirkel.studyfile.schema import FileSubject


class SetSubject(Change):
    """Put a scene or a picture in the subject's place, or nothing."""

    type: Literal["set_subject"] = "set_subject"
    subject: FileSubject | None

    def made(self, study: Study) -> Study:
        """The study before that subject."""
        return replace(study, subject=self.subject)

    def label(self, before: Study, after: Study) -> str:
        """What was changed about it."""
        if isinstance(before.subject, SimulatedSubject) and isinstance(
            after.subject, SimulatedSubject
        ):
            if before.subject.light != after.subject.light:
                return "Move the light"
            moved = before.subject.station != after.subject.station
            return "Move the station" if moved else "Change the hand's faults"
        if isinstance(after.subject, PictureSubject):
            known = isinstance(before.subject, PictureSubject)
            return "Look at the picture otherwise" if known else "Take a picture as the subject"
        return "Take a scene as the subject" if after.subject else "Take the subject away"


class TurnPicture(Change):
    """Turn the picture until an edge between two of its points is plumb or level."""

    type: Literal["turn_picture"] = "turn_picture"
    start: Point
    end: Point

    def made(self, study: Study) -> Study:
        """The study with the picture turned; the points are on the whole upright picture."""
        picture = _picture(study)
        try:
            turn = turn_to_true(self.start, self.end)
        except ValueError as error:
            raise BadInput("end", str(error)) from error
        return _as_on_print(replace(study, subject=replace(picture, turn_deg=round(turn, 4))))

    def label(self, before: Study, after: Study) -> str:
        """What it does."""
        return "Turn the picture to true"


def _as_on_print(study: Study) -> Study:
    """With the unit as long as on the print, where the drawing is to be as large as that."""
    if not school_of(study.method).at_sight_size:
        return study
    return taken_up(study, study.method, unit_on_print_mm(study))


class MeasurePicture(Change):
    """Give the picture its true size on paper, from one length measured on it."""

    type: Literal["measure_picture"] = "measure_picture"
    start: Point
    end: Point
    length_mm: Millimetres

    def made(self, study: Study) -> Study:
        """The study with the picture's size known."""
        picture = _picture(study)
        try:
            size = true_size(self.start, self.end, self.length_mm)
        except ValueError as error:
            raise BadInput("length_mm", str(error)) from error
        return _as_on_print(replace(study, subject=replace(picture, mm_per_px=size)))

    def label(self, before: Study, after: Study) -> str:
        """What it does."""
        return "Give the picture its true size"


def _missing(study: Study, picture: PictureSubject) -> str:
    """What reading a picture still wants."""
    if isinstance(study.unit, UnitLength):
        if picture.mm_per_px is None:
            return "readings are millimetres: measure one length on the picture first"
        return "set the landmark that all is counted from on the picture first"
    return "set the unit's two landmarks on the picture first, well apart"


class ReadPicture(Change):
    """Have Zirkel read all landmarks off the picture, in place of what it read before."""

    type: Literal["read_picture"] = "read_picture"

    def made(self, study: Study) -> Study:
        """The study with computed readings, marked as such; the artist's own stay."""
        picture = _picture(study)
        if picture.silent:
            raise BadInput(
                "subject",
                "this picture is kept silent for eye-first work: turn that off to have it read",
            )
        made = computed_readings(study, picture)
        if not made:
            raise BadInput("unit", _missing(study, picture))
        own = tuple(each for each in study.sightings if not each.computed)
        return replace(study, sightings=(*own, *made))

    def label(self, before: Study, after: Study) -> str:
        """What it does."""
        return "Read the landmarks off the picture"


def _picture(study: Study) -> PictureSubject:
    expect(isinstance(study.subject, PictureSubject), "subject", "picture", "subject")
    assert isinstance(study.subject, PictureSubject)
    return study.subject
