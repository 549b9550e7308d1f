"""Sittings: begun, moved, rested, ended, noted, photographed; and the place to come back to."""

from __future__ import annotations

from dataclasses import replace
from datetime import UTC, datetime
from typing import Annotated, Literal

from pydantic import Field

from zirkel.commands.base import Change, expect, free_id
from zirkel.core.pose import (
    MOST_BLOCKS,
    MOST_MOVES,
    MOST_PICTURES,
    MOST_SITTINGS,
    STAGES,
    LogPicture,
    Place,
    Sitting,
)
from zirkel.core.sitting.clock import rest_now, running
from zirkel.core.sitting.course import Since, since_the_break
from zirkel.core.study import Study
from zirkel.errors import BadInput
from zirkel.studyfile.entries import Finite, Id, Note, Picture, Text
from zirkel.studyfile.schema import FileBlock, FilePlace


def _now() -> str:
    """To the second, as readings keep their time too."""
    return datetime.now(UTC).isoformat(timespec="seconds")


def _going_on(study: Study) -> Sitting:
    found = running(study)
    if found is None:
        raise BadInput("sitting", "no sitting goes on: begin one first")
    return found


def _since(study: Study) -> Since:
    _going_on(study)
    since = since_the_break(study)
    if since is None:
        raise BadInput("sitting", "nothing was read before this sitting: nothing can have shifted")
    return since


def _named(study: Study, name: str) -> Sitting:
    found = next((each for each in study.sittings if each.id == name), None)
    expect(found is not None, "sitting", "sitting", name)
    assert found is not None
    return found


def _with(study: Study, new: Sitting) -> Study:
    held = tuple(new if each.id == new.id else each for each in study.sittings)
    return replace(study, sittings=held)


class BeginSitting(Change):
    """Begin a sitting of poses and rests; one that still goes on ends here."""

    type: Literal["begin_sitting"] = "begin_sitting"
    blocks: Annotated[list[FileBlock], Field(min_length=1, max_length=MOST_BLOCKS)]
    shares: dict[Id, Annotated[Finite, Field(gt=0, le=100)]] = Field(
        default_factory=dict, max_length=len(STAGES)
    )
    """The artist's own stages and how they share the time; empty for the usual ones."""

    def made(self, study: Study) -> Study:
        """The study with that sitting."""
        now = _now()
        ended = tuple(
            replace(each, ended=now) if each.ended is None else each for each in study.sittings
        )
        new = Sitting(
            id=free_id("sitting", [each.id for each in ended]), at=now, blocks=tuple(self.blocks),
            shares=self.shares,
        )  # fmt: skip
        problem = new.problem()
        if problem:
            raise BadInput("shares", problem.removeprefix("shares: "))
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


class BackToTheMark(Change):
    """Say that one has gone back to where one stood: what was read since the break is struck, and
    is asked again."""

    type: Literal["back_to_the_mark"] = "back_to_the_mark"

    def made(self, study: Study) -> Study:
        """The study with those readings struck, and that moment."""
        since = _since(study)
        late = {each.id for each in since.after}
        struck = tuple(
            replace(each, struck=True) if each.id in late else each for each in study.sightings
        )
        sitting = _going_on(study)
        moved = (*sitting.moved, _now())[-MOST_MOVES:]
        return replace(_with(study, replace(sitting, moved=moved)), sightings=struck)

    def label(self, before: Study, after: Study) -> str:
        """Where one is."""
        return "Back to the mark"


class GoOnShifted(Change):
    """Go on in a new take although something has shifted: it isn't told again."""

    type: Literal["go_on_shifted"] = "go_on_shifted"

    def made(self, study: Study) -> Study:
        """The sitting in which that is known."""
        began = _since(study).began.isoformat()
        return _with(study, replace(_going_on(study), shift_known=began))

    def label(self, before: Study, after: Study) -> str:
        """How one goes on."""
        return "Go on in a new take"


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
        return _with(study, replace(_named(study, self.sitting), note=self.note or None))

    def label(self, before: Study, after: Study) -> str:
        """What it is."""
        return "Note on a sitting"


class KeepLogPicture(Change):
    """Keep a photograph of the drawing in the log of a sitting, and what it shows."""

    type: Literal["keep_log_picture"] = "keep_log_picture"
    sitting: Id
    picture: Picture
    said: Text = ""

    def made(self, study: Study) -> Study:
        """The sitting with that photograph; one kept already has what it shows said anew."""
        found = _named(study, self.sitting)
        known = next((each for each in found.pictures if each.picture == self.picture), None)
        if known is None and len(found.pictures) >= MOST_PICTURES:
            raise BadInput(
                "picture", f"{MOST_PICTURES} photographs are kept of a sitting: take one out first"
            )
        said = self.said.strip()
        new = LogPicture(self.picture, _now(), said) if known is None else replace(known, said=said)
        others = tuple(each for each in found.pictures if each.picture != self.picture)
        kept = tuple(sorted((*others, new), key=lambda each: each.at))
        return _with(study, replace(found, pictures=kept))

    def label(self, before: Study, after: Study) -> str:
        """That it was kept."""
        return "Photograph of the drawing"


class DropLogPicture(Change):
    """Take a photograph out of the log."""

    type: Literal["drop_log_picture"] = "drop_log_picture"
    sitting: Id
    picture: Picture

    def made(self, study: Study) -> Study:
        """The sitting without it."""
        found = _named(study, self.sitting)
        left = tuple(each for each in found.pictures if each.picture != self.picture)
        expect(len(left) < len(found.pictures), "picture", "photograph", self.picture[:8])
        return _with(study, replace(found, pictures=left))

    def label(self, before: Study, after: Study) -> str:
        """That it was taken out."""
        return "Take a photograph out of the log"


class SetPlace(Change):
    """Write down where the study is drawn from; null forgets it."""

    type: Literal["set_place"] = "set_place"
    place: FilePlace | None

    def made(self, study: Study) -> Study:
        """The study with that place; none where nothing is said of it."""
        return replace(study, place=None if self.place == Place() else self.place)

    def label(self, before: Study, after: Study) -> str:
        """That it was written down."""
        return "The place" if after.place else "Forget the place"


class SetAbout(Change):
    """Say what the study is of; null where it is told by scene, picture or points."""

    type: Literal["set_about"] = "set_about"
    about: Literal["sitter", "still_life", "building", "outdoors", "copy"] | None

    def made(self, study: Study) -> Study:
        """The study with that."""
        return replace(study, about=self.about)

    def label(self, before: Study, after: Study) -> str:
        """That it was said."""
        return "Say what it is of"


class SetNextSitting(Change):
    """Say when the next sitting is, by the clock there ("2026-12-03T14:00"); null for none."""

    type: Literal["set_next_sitting"] = "set_next_sitting"
    at: Text | None

    def made(self, study: Study) -> Study:
        """The study with that."""
        if self.at is not None:
            try:
                datetime.fromisoformat(self.at)
            except ValueError as error:
                raise BadInput(
                    "at", f"“{self.at}” is no day and hour: write it as 2026-12-03T14:00"
                ) from error
        return replace(study, next_sitting=self.at)

    def label(self, before: Study, after: Study) -> str:
        """That it was said."""
        return "Say when the next sitting is" if after.next_sitting else "No next sitting"
