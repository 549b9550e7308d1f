"""Sittings: begun, moved, rested, ended, noted."""

from __future__ import annotations

from dataclasses import replace
from datetime import UTC, datetime
from typing import Annotated, Literal

from pydantic import Field

from zirkel.commands.base import Change, expect, free_id
from zirkel.core.pose import MOST_BLOCKS, MOST_MOVES, MOST_SITTINGS, Sitting
from zirkel.core.sitting.clock import rest_now, running
from zirkel.core.study import Study
from zirkel.errors import BadInput
from zirkel.studyfile.entries import Id, Note
from zirkel.studyfile.schema import FileBlock


def _now() -> str:
    """To the second, as readings keep their time too."""
    return datetime.now(UTC).isoformat(timespec="seconds")


def _going_on(study: Study) -> Sitting:
    found = running(study)
    if found is None:
        raise BadInput("sitting", "no sitting goes on: begin one first")
    return found


def _with(study: Study, new: Sitting) -> Study:
    held = tuple(new if each.id == new.id else each for each in study.sittings)
    return replace(study, sittings=held)


class BeginSitting(Change):
    """Begin a sitting of poses and rests; one that still goes on ends here."""

    type: Literal["begin_sitting"] = "begin_sitting"
    blocks: Annotated[list[FileBlock], Field(min_length=1, max_length=MOST_BLOCKS)]

    def made(self, study: Study) -> Study:
        """The study with that sitting."""
        now = _now()
        ended = tuple(
            replace(each, ended=now) if each.ended is None else each for each in study.sittings
        )
        new = Sitting(
            id=free_id("sitting", [each.id for each in ended]), at=now, blocks=tuple(self.blocks)
        )
        return replace(study, sittings=(*ended, new)[-MOST_SITTINGS:])

    def label(self, before: Study, after: Study) -> str:
        """That it began."""
        return "Begin a sitting"


class ModelMoved(Change):
    """Say that the model or the artist has moved: what is sighted from now on is a take of its
    own."""

    type: Literal["model_moved"] = "model_moved"

    def made(self, study: Study) -> Study:
        """The sitting with that moment."""
        sitting = _going_on(study)
        return _with(study, replace(sitting, moved=(*sitting.moved, _now())[-MOST_MOVES:]))

    def label(self, before: Study, after: Study) -> str:
        """That it moved."""
        return "The model has moved"


class RestNow(Change):
    """End the pose and rest."""

    type: Literal["rest_now"] = "rest_now"

    def made(self, study: Study) -> Study:
        """The sitting with its rest brought forward."""
        sitting = _going_on(study)
        return _with(study, rest_now(sitting, datetime.now(UTC)))

    def label(self, before: Study, after: Study) -> str:
        """That one rests."""
        return "Rest now"


class EndSitting(Change):
    """End the sitting."""

    type: Literal["end_sitting"] = "end_sitting"

    def made(self, study: Study) -> Study:
        """The study without a clock."""
        return _with(study, replace(_going_on(study), ended=_now()))

    def label(self, before: Study, after: Study) -> str:
        """That it ended."""
        return "End the sitting"


class NoteSitting(Change):
    """Write down a sitting in the artist's own words."""

    type: Literal["note_sitting"] = "note_sitting"
    sitting: Id
    note: Note | None

    def made(self, study: Study) -> Study:
        """The study with that note."""
        found = next((each for each in study.sittings if each.id == self.sitting), None)
        expect(found is not None, "sitting", "sitting", self.sitting)
        assert found is not None
        return _with(study, replace(found, note=self.note or None))

    def label(self, before: Study, after: Study) -> str:
        """What it is."""
        return "Note on a sitting"
