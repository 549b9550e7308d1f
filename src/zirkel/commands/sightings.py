"""Taking, editing, striking and removing sightings."""

from __future__ import annotations

from dataclasses import replace
from datetime import UTC, datetime
from typing import Annotated, Literal

from pydantic import BaseModel, Field

from zirkel.commands.base import Change, expect, free_id
from zirkel.core.drawn import MOST_GUESSES, Guess
from zirkel.core.sightings import Sighting
from zirkel.core.study import Study
from zirkel.core.words.sightings import say_reading
from zirkel.errors import BadInput
from zirkel.store.practice import ME
from zirkel.studyfile.entries import Finite, Id
from zirkel.studyfile.references import sighting_problems
from zirkel.studyfile.sightings import AnySighting, sighting_to_core


class ByEye(BaseModel):
    """That a reading was seen, not measured, and how far such readings err: in the reading's own
    unit, or `relative` as a share of what was read."""

    sigma: Annotated[Finite, Field(gt=0, le=1000)]
    relative: bool = False


SEEN = "by eye"


MOST_AT_ONCE = 60
"""Readings that may be taken in one go."""


class TakeSighting(Change):
    """Add a reading. Its id is given by Zirkel, whatever the request calls it."""

    type: Literal["take_sighting"] = "take_sighting"
    sighting: AnySighting
    guess: AnySighting | None = None
    """The same reading as the eye gave it, before it was measured."""
    artist: Id | None = None
    """Whose eye gave it; left out for who has not been named."""
    by_eye: ByEye | None = None

    def made(self, study: Study) -> Study:
        """The study with one more reading, and the eye's guess at it."""
        now = datetime.now(UTC).isoformat(timespec="seconds")
        reading = sighting_to_core(self.sighting)
        reading = replace(reading, id=_next_id(study), taken_at=reading.taken_at or now)
        if self.by_eye is not None:
            reading = _seen(reading, self.by_eye)
        _check(study, reading)
        after = replace(study, sightings=(*study.sightings, reading))
        return (
            after
            if self.guess is None
            else _with_guess(after, reading, self.guess, now, self.artist)
        )

    def label(self, before: Study, after: Study) -> str:
        """The reading in words."""
        return say_reading(after, after.sightings[-1])


class TakeSightings(Change):
    """Add several readings at once, taken in one go: all that lies on a plumb, a fan of tilts."""

    type: Literal["take_sightings"] = "take_sightings"
    sightings: Annotated[list[AnySighting], Field(min_length=1, max_length=MOST_AT_ONCE)]

    def made(self, study: Study) -> Study:
        """The study with these readings more, or with none of them if one can't be taken."""
        for each in self.sightings:
            study = TakeSighting(sighting=each).made(study)
        return study

    def label(self, before: Study, after: Study) -> str:
        """How many, and the first in words."""
        count = len(after.sightings) - len(before.sightings)
        first = say_reading(after, after.sightings[len(before.sightings)])
        return first if count == 1 else f"{count} readings, the first {first}"


def _seen(reading: Sighting, eye: ByEye) -> Sighting:
    """A reading by eye, as sure as that eye is."""
    if reading.value_field is None:
        raise BadInput("by_eye", "says how far a value errs, but this reading has none")
    sigma = eye.sigma * abs(reading.value) if eye.relative else eye.sigma
    if sigma <= 0.0:
        raise BadInput("by_eye", "is a share of nothing: the reading is 0")
    return replace(reading, sigma=sigma, note=reading.note or SEEN)


GUESS_MEASURES = {
    "span": "relative", "match": "relative", "tilt": "degrees", "part": "share", "drop": "units",
    "level": "units",
}  # fmt: skip
"""How the error of a guess counts, by the kind of reading; the others have nothing to guess."""


def _with_guess(
    study: Study, reading: Sighting, guess: object, at: str, artist: str | None
) -> Study:
    """The study with what the eye gave for a reading; dropped where it is of another kind."""
    eye = sighting_to_core(guess)
    measure = GUESS_MEASURES.get(reading.kind)
    if measure is None or eye.kind != reading.kind:
        return study
    kept = Guess(
        id=free_id("guess", [each.id for each in study.guesses]),
        at=at,
        exercise=f"bench_{reading.kind}",
        measure=measure,
        answer=eye.value,
        truth=reading.value,
        artist=None if artist == ME else artist,
    )
    return replace(study, guesses=(*study.guesses, kept)[-MOST_GUESSES:])


class EditSighting(Change):
    """Replace a reading by a corrected one of the same id."""

    type: Literal["edit_sighting"] = "edit_sighting"
    sighting: AnySighting

    def made(self, study: Study) -> Study:
        """The study with that reading as corrected; when it was taken and its note are kept."""
        reading = sighting_to_core(self.sighting)
        old = _find(study, reading.id)
        reading = replace(
            reading, taken_at=reading.taken_at or old.taken_at, note=reading.note or old.note
        )
        _check(study, reading)
        return _with(study, reading)

    def label(self, before: Study, after: Study) -> str:
        """That it was corrected."""
        return f"Correct {say_reading(after, _find(after, self.sighting.id))}"


class StrikeSighting(Change):
    """Set a reading aside, or take it up again; it stays on record."""

    type: Literal["strike_sighting"] = "strike_sighting"
    id: Id
    struck: bool = True

    def made(self, study: Study) -> Study:
        """The study with that reading struck or not."""
        return _with(study, replace(_find(study, self.id), struck=self.struck))

    def label(self, before: Study, after: Study) -> str:
        """Which reading."""
        verb = "Strike" if self.struck else "Take up again"
        return f"{verb} {say_reading(after, _find(after, self.id))}"


class KeepSighting(Change):
    """Keep a doubted reading against the others: it is not asked about again."""

    type: Literal["keep_sighting"] = "keep_sighting"
    id: Id

    def made(self, study: Study) -> Study:
        """The study with that reading marked as kept."""
        return _with(study, replace(_find(study, self.id), kept=True))

    def label(self, before: Study, after: Study) -> str:
        """Which reading."""
        return f"Keep {say_reading(after, _find(after, self.id))}"


class RemoveSighting(Change):
    """Remove a reading that should never have been entered."""

    type: Literal["remove_sighting"] = "remove_sighting"
    id: Id

    def made(self, study: Study) -> Study:
        """The study without it."""
        _find(study, self.id)
        return replace(study, sightings=tuple(s for s in study.sightings if s.id != self.id))

    def label(self, before: Study, after: Study) -> str:
        """Which reading."""
        return f"Remove {say_reading(before, _find(before, self.id))}"


def _next_id(study: Study) -> str:
    numbers = [int(s.id[1:]) for s in study.sightings if s.id[:1] == "s" and s.id[1:].isdigit()]
    return f"s{max(numbers, default=0) + 1}"


def _find(study: Study, name: str) -> Sighting:
    found = next((each for each in study.sightings if each.id == name), None)
    expect(found is not None, "id", "reading", name)
    assert found is not None  # for the type checker: `expect` has raised otherwise
    return found


def _with(study: Study, reading: Sighting) -> Study:
    return replace(
        study, sightings=tuple(reading if s.id == reading.id else s for s in study.sightings)
    )


def _check(study: Study, reading: Sighting) -> None:
    if study.unit is None and reading.kind == "span":
        raise BadInput("unit", "choose the unit first: a span is counted in it")
    known = [each.id for each in study.landmarks]
    problem = next(sighting_problems("sighting", reading, known), None)
    if problem is not None:
        raise BadInput(*problem)
