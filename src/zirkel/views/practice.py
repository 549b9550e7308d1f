"""The room Practice: what to do today, the record and its plots, who the artists are."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from datetime import UTC, datetime, timedelta

import numpy as np
from pydantic import BaseModel, ConfigDict, Field

from zirkel.core.practice.carried import own_eyes, parting
from zirkel.core.practice.estimate import read_record
from zirkel.core.practice.exercises import EXERCISES, LINES
from zirkel.core.practice.exercises.base import Line
from zirkel.core.practice.eye import NO_CHANGE_KNOWN, Eye
from zirkel.core.practice.guesses import EVERY_LINE, USUAL, as_trials
from zirkel.core.practice.history import history, months
from zirkel.core.practice.today import Drill, drill_of, sequence, todays
from zirkel.core.practice.trials import BEGIN, Trial, day_of
from zirkel.core.words.practice import (
    say_at_work,
    say_change,
    say_good,
    say_lean,
    say_parting,
    say_spread,
    say_why,
)
from zirkel.errors import BadInput
from zirkel.store.practice import ME, KeptTrial
from zirkel.store.store import Store, Stored
from zirkel.studyfile.entries import Id
from zirkel.studyfile.practice_file import read_kept, write_practice
from zirkel.views.habits import habits_of, told, trained_by

MOST_DOTS = 400


class ArtistShown(BaseModel):
    """Who draws; the name is empty for who has not been named."""

    model_config = ConfigDict(from_attributes=True)
    id: str
    name: str


class Artists(BaseModel):
    """All artists at hand."""

    artists: list[ArtistShown]


class DrillShown(BaseModel):
    """An exercise as it is practised in one go."""

    exercise: str
    title: str
    trials: int
    minutes: float
    why: str


class Dot(BaseModel):
    """One trial's error in the line's own unit; of a forced choice the difference that was shown,
    and whether it was seen."""

    error: float
    right: bool | None = None


class EyeThen(BaseModel):
    """Bias and spread with their standard deviations, as they stood after the dot `at`."""

    at: int
    bias: float
    bias_sd: float
    spread: float
    spread_sd: float


class DayMark(BaseModel):
    """The first dot of a day."""

    at: int
    date: str


class MonthShown(BaseModel):
    """What the eye erred by over four weeks from a date on, with its standard deviation."""

    date: str
    error: float
    sd: float


class LineShown(BaseModel):
    """One line of the record. Errors are in percent, degrees, steps or units (`unit`); `reach` is
    how far the plot goes to either side."""

    name: str
    title: str
    unit: str
    more: str
    less: str
    choice: bool
    trials: int
    known: bool
    lean: str
    spread: str
    change: str
    verdict: str
    reach: float
    dots: list[Dot]
    history: list[EyeThen]
    days: list[DayMark]
    months: list[MonthShown]
    good: float
    """What is good enough at the easel."""


class ExerciseShown(BaseModel):
    """An exercise, what it trains, and its lines of the record."""

    name: str
    title: str
    trains: str
    drill: DrillShown
    good: str
    """What is good enough at the easel, and whether the eye is there."""
    lines: list[LineShown]


class PracticeRoom(BaseModel):
    """All that the room shows of one artist."""

    artists: list[ArtistShown]
    artist: str
    trials: int
    habits: list[str]
    """What the last drawings do over and over."""
    today: list[DrillShown]
    today_of: str
    """Today's trials in their order, as the drill's address has them: half:10,tilt:3,…"""
    lends: list[str]
    """What the record lends to the work, in words."""
    exercises: list[ExerciseShown]
    guesses: list[LineShown]


class Named(BaseModel):
    """A name for an artist: for one who is here, or another one."""

    name: str = Field(max_length=80)
    artist: Id | None = None


class TakenIn(BaseModel):
    """How many trials of a file were new."""

    trials: int
    new: int


def open_practice(store: Store, artist: str | None) -> PracticeRoom:
    """The room for one artist."""
    who = store.practice.artist(artist)
    own = [each.trial for each in store.practice.trials(who.id)]
    guessed = [each.trial for each in guesses_of(store, who.id)]
    eyes = read_record([*own, *guessed], USUAL)
    by_line: dict[str, list[Trial]] = {}
    taken: dict[str, list[float]] = {}
    for each in (*own, *guessed):
        by_line.setdefault(each.exercise, []).append(each)
        if each.seconds is not None:
            taken.setdefault(each.exercise, []).append(each.seconds)
    today = day_of(datetime.now(UTC))
    found = habits_of(store)
    drills = todays(eyes, own, today, trained_by(found))
    return PracticeRoom(
        habits=told(found),
        artists=all_artists(store).artists,
        artist=who.id,
        trials=len(own),
        today=[_drill(each) for each in drills],
        today_of=",".join(f"{each.exercise.name}:{count}" for each, count in sequence(drills)),
        lends=_lends(eyes),
        exercises=[
            ExerciseShown(
                name=each.name, title=each.title, trains=each.trains,
                drill=_drill(drill_of(each, eyes, taken)),
                good=say_good(each.lines[0], eyes.get(each.lines[0].name, _unknown(each.lines[0]))),
                lines=[
                    _line(line, by_line.get(line.name, []), eyes.get(line.name))
                    for line in each.lines
                ],
            )
            for each in EXERCISES.values()
        ],
        guesses=[
            _line(_line_of(name, own[0].measure), own, eyes.get(name))
            for name, own in by_line.items()
            if name not in LINES
        ],
    )  # fmt: skip


def _unknown(line: Line) -> Eye:
    return Eye(line.name, line.measure, 0, None, None, None, None, 0.0, NO_CHANGE_KNOWN)


def _lends(eyes: Mapping[str, Eye]) -> list[str]:
    """What bench and recipe are told of this eye."""
    parts = say_parting(parting(eyes))
    return [*(say_at_work(each) for each in own_eyes(eyes).values()), *([parts] if parts else [])]


def guesses_of(store: Store, artist: str) -> list[KeptTrial]:
    """What the artist's eye said in all studies before it was measured."""
    return [
        KeptTrial.made(trial, at)
        for stored in store.all(having="guesses")
        if isinstance(stored, Stored)
        for trial, at in as_trials(stored.study.guesses, None if artist == ME else artist)
    ]


def record_of(store: Store, artist: str | None) -> dict[str, Eye]:
    """What is known of an artist's eye."""
    return read_record(
        [each.trial for each in _all(store, store.practice.artist(artist).id)], USUAL
    )


def _all(store: Store, artist: str) -> list[KeptTrial]:
    return [*store.practice.trials(artist), *guesses_of(store, artist)]


def _line_of(name: str, measure: str) -> Line:
    """A line of the record; one that a file brought and nothing is known of is called by its
    name."""
    return EVERY_LINE.get(name) or Line(name, name, measure, "too much", "too little")


def _drill(each: Drill) -> DrillShown:
    return DrillShown(
        exercise=each.exercise.name, title=each.exercise.title, trials=each.trials,
        minutes=round(each.seconds / 60.0, 1), why=say_why(each),
    )  # fmt: skip


SHOWN_IN = {"share": (100.0, "%"), "relative": (100.0, "%"), "degrees": (1.0, "°"),
            "steps": (1.0, "steps"), "units": (1.0, "units")}  # fmt: skip
"""By what errors are multiplied to be shown, and in what they are then."""


def _line(line: Line, trials: Sequence[Trial], eye: Eye | None) -> LineShown:
    factor, unit = SHOWN_IN[line.measure]
    # Harder trials are for training; the record is kept by the plain ones.
    ordered = sorted((each for each in trials if not each.step), key=lambda each: each.day)
    stood = history(ordered, line.usual)
    left_out = max(len(ordered) - MOST_DOTS, 0)
    shown = ordered[left_out:]
    errors = np.array([abs(each.truth) if line.choice else each.error for each in shown])
    reach = 2.0 * line.usual
    if len(errors):
        reach = max(reach, 1.15 * float(np.quantile(np.abs(errors), 0.97)))
    dates = [_date(each.day) for each in shown]
    known = eye or _unknown(line)
    return LineShown(
        name=line.name, title=line.title, unit=unit, more=line.more, less=line.less,
        choice=line.choice, trials=len(trials), known=known.bias is not None,
        lean=say_lean(line, known), spread=say_spread(line, known), change=say_change(known),
        verdict=known.change.verdict, reach=reach * factor,
        dots=[
            Dot(
                error=float(error) * factor,
                right=each.truth * each.answer > 0 if line.choice else None,
            )
            for each, error in zip(shown, errors, strict=True)
        ],
        history=[
            EyeThen(
                at=each.upto - 1 - left_out,
                bias=each.bias * factor, bias_sd=each.bias_sd * factor,
                spread=each.spread * factor, spread_sd=each.spread_sd * factor,
            )
            for each in stood
            if each.upto > left_out
        ],
        days=[
            DayMark(at=i, date=date)
            for i, date in enumerate(dates)
            if i == 0 or date != dates[i - 1]
        ],
        months=[
            MonthShown(date=_date(each.day), error=each.error * factor, sd=each.sd * factor)
            for each in months(ordered, line.usual)
        ],
        good=line.good_enough * factor,
    )  # fmt: skip


def _date(day: float) -> str:
    """A day as a date."""
    return (BEGIN + timedelta(days=day)).date().isoformat()


def all_artists(store: Store) -> Artists:
    """All artists, who has no name first."""
    return Artists(artists=[ArtistShown.model_validate(each) for each in store.practice.artists()])


def name_artist(store: Store, named: Named) -> ArtistShown:
    """Give an artist a name, or add another one."""
    return ArtistShown.model_validate(store.practice.name(named.name, named.artist))


def record_file(store: Store, artist: str | None) -> tuple[str, bytes]:
    """File name and bytes of an artist's record, guesses before measuring included."""
    who = store.practice.artist(artist)
    data = write_practice((each.trial, each.at, each.extra) for each in _all(store, who.id))
    return f"{who.id}.zirkel-practice.json", data


def take_in(store: Store, artist: str | None, data: bytes) -> TakenIn:
    """Keep the trials of a record file that are not here yet. BadInput where one is measured
    otherwise than its exercise is."""
    who = store.practice.artist(artist)
    kept = [KeptTrial.made(trial, at, extra) for trial, at, extra in read_kept(data)]
    measures = {each.trial.exercise: each.trial.measure for each in _all(store, who.id)}
    measures |= {name: line.measure for name, line in EVERY_LINE.items()}
    for number, each in enumerate(kept):
        own = measures.get(each.trial.exercise, each.trial.measure)
        if each.trial.measure != own:
            raise BadInput(
                f"trials.{number}",
                f"“{each.trial.exercise}” is measured in {each.trial.measure}, but in {own} here: "
                "call the exercise otherwise",
            )
    here = {
        (each.trial.exercise, each.at, each.trial.truth, each.trial.answer)
        for each in guesses_of(store, who.id)
    }
    fresh = [
        each
        for each in kept
        if (each.trial.exercise, each.at, each.trial.truth, each.trial.answer) not in here
    ]
    return TakenIn(trials=len(kept), new=store.practice.add(who.id, fresh))
