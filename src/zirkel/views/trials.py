"""A trial in the room Practice: posed, answered, and what it showed."""

from __future__ import annotations

import secrets
from datetime import UTC, datetime
from typing import Annotated, Literal

import numpy as np
from pydantic import BaseModel, ConfigDict, Field

from zirkel.core.practice.board import Piece, Posed
from zirkel.core.practice.exercises import EXERCISES
from zirkel.core.practice.exercises.base import HARDEST, Exercise
from zirkel.core.practice.exercises.block_in import BlockIn, pairs
from zirkel.core.practice.steps import next_level
from zirkel.core.practice.trials import Trial, day_of
from zirkel.core.tones.grey import grey_of
from zirkel.core.values.fractions import parse_length
from zirkel.core.values.tilts import parse_tilt
from zirkel.core.words.practice import say_block_in, say_outcome, say_too_few
from zirkel.errors import BadInput, NotFound
from zirkel.scenes import shipped_scenes
from zirkel.store.practice import KeptTrial
from zirkel.store.store import Store
from zirkel.studyfile.entries import Id
from zirkel.views.subject import scene_address


class Card(BaseModel):
    """By what a trial can be posed again exactly."""

    exercise: Id
    seed: int = Field(ge=0, lt=2**31)
    level: Annotated[float, Field(gt=0, le=1000, allow_inf_nan=False)] | None = None


class PieceShown(BaseModel):
    """One thing drawn, as the core has it; `fill` is the grey of its tone."""

    sort: Literal["line", "area", "dot", "ellipse"]
    spots: list[tuple[float, float]]
    look: str
    fill: str | None
    name: str


class WayShown(BaseModel):
    """How the trial is answered, as the core has it."""

    model_config = ConfigDict(from_attributes=True)
    sort: Literal["along", "choose", "turn", "scale", "stretch", "place", "places"]
    spots: list[tuple[float, float]]
    low: float
    high: float
    names: list[str]
    shape: str
    seconds: float | None
    look: float | None


class ImageShown(BaseModel):
    """A picture on the board: left, top, right, bottom."""

    address: str
    box: tuple[float, float, float, float]


class PosedShown(BaseModel):
    """A trial before it is answered; nothing here tells the truth."""

    card: Card
    title: str
    asks: str
    tall: float
    pieces: list[PieceShown]
    way: WayShown
    image: ImageShown | None


class Answered(BaseModel):
    """An answer: numbers as the way has them, null for a landmark that was not placed."""

    artist: Id | None = None
    card: Card
    answer: list[Annotated[float, Field(ge=-1e4, le=1e4, allow_inf_nan=False)] | None] = Field(
        default_factory=list, max_length=100
    )
    typed: str | None = Field(default=None, max_length=40)
    """The answer as it was typed instead: a count (1 3/8), or a tilt (1:30)."""
    seconds: Annotated[float, Field(ge=0, le=86_400, allow_inf_nan=False)] | None = None
    token: str = Field(min_length=8, max_length=80)


class Judged(BaseModel):
    """What a trial showed: in words, and the truth to be laid over it."""

    said: list[str]
    laid_over: list[PieceShown]
    truth: list[float]
    errors: list[float]


class Asked(BaseModel):
    """Which exercise is to be posed, and for whom."""

    artist: Id | None = None
    exercise: Id


def pose(store: Store, asked: Asked) -> PosedShown:
    """The next trial of an exercise."""
    exercise = _exercise(asked.exercise)
    line = exercise.lines[0]
    who = store.practice.artist(asked.artist)
    own = [each.trial for each in store.practice.trials(who.id) if each.trial.exercise == line.name]
    level = next_level(line, own)
    card = Card(exercise=exercise.name, seed=secrets.randbelow(2**31), level=level)
    return _shown(exercise, card)


def _shown(exercise: Exercise, card: Card) -> PosedShown:
    posed = exercise.posed(card.seed, card.level, shipped_scenes())
    picture = posed.picture
    return PosedShown(
        card=card, title=exercise.title, asks=posed.asks, tall=posed.tall,
        pieces=[_piece(each) for each in posed.pieces],
        way=WayShown.model_validate(posed.way),
        image=None
        if picture is None
        else ImageShown(address=scene_address(picture.scene, picture.station), box=picture.box),
    )  # fmt: skip


def _piece(each: Piece) -> PieceShown:
    return PieceShown.model_validate(
        {"sort": each.sort, "spots": each.spots, "look": each.look, "name": each.name,
         "fill": None if each.tone is None else grey_of(each.tone)}
    )  # fmt: skip


def answer(store: Store, given: Answered) -> Judged:
    """Keep an answer, and say what was so. BadInput where it is none."""
    exercise = _exercise(given.card.exercise)
    level, choice = given.card.level, exercise.lines[0].choice
    if choice and level is None:
        raise BadInput("card.level", "is missing: a forced choice shows a difference")
    if not choice and level is not None and level not in range(1, HARDEST + 1):
        raise BadInput("card.level", f"is {level:g}, but a step is 1 to {HARDEST}")
    posed = exercise.posed(given.card.seed, given.card.level, shipped_scenes())
    said = _numbers(exercise, posed, given)
    outcomes = exercise.outcomes(posed, said)
    who = store.practice.artist(given.artist)
    moment = datetime.now(UTC)
    store.practice.add(
        who.id,
        [
            KeptTrial.made(
                Trial(each.line.name, each.line.measure, day_of(moment), each.truth, each.answer,
                      given.seconds, each.line.choice),
                moment, {"shown": given.card.model_dump(exclude_none=True)},
            )
            for each in outcomes
        ],
        given.token,
    )  # fmt: skip
    if isinstance(exercise, BlockIn) and posed.picture is not None:
        words = say_block_in(posed, said, shipped_scenes()[posed.picture.scene])
    else:
        words = [say_outcome(exercise, posed, outcomes)]
    return Judged(
        said=words,
        laid_over=[_piece(each) for each in exercise.over(posed, said)],
        truth=list(posed.truth),
        errors=[
            Trial(each.line.name, each.line.measure, 0.0, each.truth, each.answer).error
            for each in outcomes
        ],
    )


def _numbers(exercise: Exercise, posed: Posed, given: Answered) -> list[float]:
    """The answer as numbers, as many as the truth has."""
    if given.typed is not None:
        return [_typed(posed, given.typed)]
    wanted = 1 if posed.way.sort == "choose" else len(posed.truth)
    if len(given.answer) != wanted:
        raise BadInput("answer", f"has {len(given.answer)} numbers, but {wanted} are asked for")
    said = [float("nan") if each is None else each for each in given.answer]
    if posed.way.sort == "places":
        placed, _, drawn = pairs(posed, said)
        wanted = exercise.fewest or len(posed.truth) // 2
        if len(placed) < wanted or np.ptp(drawn, axis=0).max() <= 0:
            raise BadInput("answer", say_too_few(wanted))
    elif any(each is None for each in given.answer):
        raise BadInput("answer", "has a number missing: give the whole answer")
    if posed.way.sort == "choose" and said[0] == 0:
        raise BadInput("answer", "is 0, but one of the two must be chosen: -1 or 1")
    return said


def _typed(posed: Posed, text: str) -> float:
    """An answer that was typed; BadInput says what is wrong with it."""
    try:
        if posed.way.sort == "turn":
            return parse_tilt(text)
        entered = parse_length(text)
    except ValueError as error:
        raise BadInput("typed", str(error)) from error
    if posed.way.sort != "scale" or entered.in_mm:
        raise BadInput("typed", f"“{text}” is no answer here: point to it")
    if not 2.0 * posed.way.low - 1.0 <= entered.value <= 4.0 * posed.way.high:
        raise BadInput("typed", f"{text} can hardly be meant: it is from {posed.way.low:g} to "
                       f"{posed.way.high:g}")  # fmt: skip
    return entered.value


def _exercise(name: str) -> Exercise:
    found = EXERCISES.get(name)
    if found is None:
        raise NotFound(f"There is no exercise “{name}”: {', '.join(EXERCISES)}.")
    return found
