"""What to practise today: three to five minutes, where most is to be gained.

What an eye errs by is put in millimetres of a drawing, so that tilts and halves can be set against
each other: an error of the line's measure times what that is worth. An exercise without enough
trials counts with what eyes usually err, and a little more, so that each is tried; one practised
lately counts less, since rest lets what was learnt settle and the eye tires of one thing (the
spacing of practice, N. Cepeda and others 2006). The first few by that order are taken until the
time is full; the last place goes to what was not practised for a week, or never: what is not
practised is forgotten.
"""

from __future__ import annotations

from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from zirkel.core.practice.exercises import EXERCISES
from zirkel.core.practice.exercises.base import Exercise, Line
from zirkel.core.practice.eye import Eye
from zirkel.core.practice.trials import Trial

SECONDS = 240.0
MOST, AT_MOST = 3, 300.0
NEW = 1.2
"""By how much more than the usual error an untried exercise counts."""

IN_DRAWINGS = 2.0
"""By how much more an exercise counts whose fault the last drawings have shown."""

RESTED_DAYS = 1.5
FORGOTTEN_DAYS = 7.0
IN_TURN = 3
"""Trials of one exercise before the next one has its turn, once they are mixed."""

LOOKING = 2.0
"""Seconds for which the truth is looked at after an answer."""


@dataclass(frozen=True, slots=True)
class Drill:
    """So many trials of an exercise, about how long they take, and why: the millimetres of a
    drawing that the eye errs by in it, None where that is not known yet; `worst` is the line of the
    record in which that is so."""

    exercise: Exercise
    trials: int
    seconds: float
    error_mm: float | None
    worst: Line | None = None
    error: float | None = None
    """What the eye errs by in that line, in its own measure."""


def todays(
    eyes: Mapping[str, Eye],
    trials: Sequence[Trial],
    today: float,
    wanted: Collection[str] = (),
) -> list[Drill]:
    """What to practise on the day `today` (days as in the trials); `wanted` are exercises by which
    a habit of the last drawings is practised away."""
    last: dict[str, float] = {}
    taken: dict[str, list[float]] = {}
    for each in trials:
        last[each.exercise] = max(last.get(each.exercise, -np.inf), each.day)
        if each.seconds is not None:
            taken.setdefault(each.exercise, []).append(each.seconds)

    def worth(each: Exercise) -> float:
        more = IN_DRAWINGS if each.name in wanted else 1.0
        return -more * _worth(each, eyes, last, today)

    ranked = sorted(EXERCISES.values(), key=worth)
    made: list[Drill] = []
    total = 0.0
    for exercise in _with_one_forgotten(ranked, last, today):
        drill = drill_of(exercise, eyes, taken)
        if total + drill.seconds <= AT_MOST:
            made.append(drill)
            total += drill.seconds
        if len(made) == MOST or total >= SECONDS:
            break
    return made


def _with_one_forgotten(
    ranked: Sequence[Exercise], last: Mapping[str, float], today: float
) -> list[Exercise]:
    """The same, but the last place of a day goes to what was not practised for long, or never."""
    first = list(ranked[: MOST - 1])
    waiting = [
        each for each in ranked[MOST - 1 :]
        if today - last.get(each.lines[0].name, -np.inf) > FORGOTTEN_DAYS
    ]  # fmt: skip
    # By how long it waits, in weeks; of the same, what is worth most comes first as before.
    waiting.sort(key=lambda e: -min((today - last.get(e.lines[0].name, -np.inf)) // 7.0, 1e6))
    kept = {each.name for each in (*first, *waiting[:1])}
    return [*first, *waiting[:1], *(each for each in ranked if each.name not in kept)]


def sequence(drills: Sequence[Drill]) -> list[tuple[Drill, int]]:
    """The day's drills as they are done: what is new in one block, so that it is understood, what
    is known in turn with the others, so that each trial has to be seen afresh (J. Shea, R. Morgan
    1979, on blocked and random practice)."""
    made = [(each, each.trials) for each in drills if each.error_mm is None]
    known = [each for each in drills if each.error_mm is not None]
    for begun in range(0, max((each.trials for each in known), default=0), IN_TURN):
        made += [(each, min(IN_TURN, each.trials - begun)) for each in known if each.trials > begun]
    return made


def drill_of(
    exercise: Exercise, eyes: Mapping[str, Eye], taken: Mapping[str, Sequence[float]]
) -> Drill:
    """One exercise as it is practised in one go."""
    own = taken.get(exercise.lines[0].name, ())
    pace = float(np.median(own[-40:])) if len(own) >= 5 else exercise.seconds
    known = [(mm, line) for line in exercise.lines if (mm := error_mm(line.name, eyes)) is not None]
    mm, worst = max(known, key=lambda each: each[0], default=(None, None))
    return Drill(
        exercise, exercise.in_a_drill, exercise.in_a_drill * (pace + LOOKING), mm, worst,
        None if worst is None else eyes[worst.name].error,
    )  # fmt: skip


def error_mm(name: str, eyes: Mapping[str, Eye]) -> float | None:
    """What the eye's error in one line of the record does to a drawing, in mm."""
    eye = eyes.get(name)
    line = next(each for one in EXERCISES.values() for each in one.lines if each.name == name)
    return None if eye is None or eye.error is None else eye.error * line.worth_mm


def _worth(
    exercise: Exercise, eyes: Mapping[str, Eye], last: Mapping[str, float], today: float
) -> float:
    worth = 0.0
    for line in exercise.lines:
        mm = error_mm(line.name, eyes)
        worth = max(worth, NEW * line.usual * line.worth_mm if mm is None else mm)
    since = max(today - last.get(exercise.lines[0].name, -np.inf), 0.0)
    return worth * float(1.0 - 0.7 * np.exp(-since / RESTED_DAYS))
