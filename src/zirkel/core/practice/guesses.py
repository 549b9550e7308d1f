"""What the eye said on the bench before it was measured: lines of the record of their own."""

from __future__ import annotations

from collections.abc import Iterable
from datetime import UTC, datetime

from zirkel.core.drawn import Guess
from zirkel.core.practice.exercises import LINES
from zirkel.core.practice.exercises.base import Line
from zirkel.core.practice.trials import Trial, day_of

GUESSED: dict[str, Line] = {
    f"bench_{kind}": Line(f"bench_{kind}", title, measure, more, less, usual=usual, kinds=(kind,))
    for kind, title, measure, more, less, usual in (
        ("span", "Before measuring: spans", "relative", "too long", "too short", 0.08),
        ("match", "Before measuring: matches", "relative", "too long", "too short", 0.08),
        ("tilt", "Before measuring: tilts", "degrees", "too far clockwise", "too far back", 4.0),
        ("part", "Before measuring: parts", "share", "too far along", "not far enough", 0.04),
        ("drop", "Before measuring: plumbs", "units", "too far right", "too far left", 0.1),
        ("level", "Before measuring: levels", "units", "too low", "too high", 0.1),
    )
}
"""By name, as the bench keeps them."""

EVERY_LINE: dict[str, Line] = {**LINES, **GUESSED}
"""All lines of a record of which Zirkel knows something."""

USUAL: dict[str, float] = {name: line.usual for name, line in EVERY_LINE.items()}
"""What eyes usually err by in each."""


def as_trials(guesses: Iterable[Guess], artist: str | None) -> list[tuple[Trial, datetime]]:
    """An artist's guesses as trials with their times; those of which nothing is known here are
    left out. None is who has not been named."""
    return [
        (Trial(each.exercise, each.measure, day_of(at), each.truth, each.answer), at)
        for each in guesses
        if each.artist == artist and each.exercise in GUESSED
        and each.measure == GUESSED[each.exercise].measure
        and not (each.measure == "relative" and each.truth == 0)
        and (at := _time(each.at)) is not None
    ]  # fmt: skip


def _time(text: str) -> datetime | None:
    try:
        at = datetime.fromisoformat(text)
    except ValueError:
        return None
    return at if at.tzinfo is not None else at.replace(tzinfo=UTC)
