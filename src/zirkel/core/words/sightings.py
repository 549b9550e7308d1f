"""Each kind of sighting in words: a reading as an artist would say it, and how one is asked for.

A kind says its readings by one function here, and if it can be proposed, what to do for one.
"""

from __future__ import annotations

from collections.abc import Callable
from functools import singledispatch

from zirkel.core.sightings import (
    Match,
    Order,
    Parallel,
    Part,
    Run,
    Sighting,
    Span,
    Tilt,
)
from zirkel.core.sightings.alignment import Alignment
from zirkel.core.study import Study
from zirkel.core.values.fractions import say_number
from zirkel.core.values.tilts import say_tilt
from zirkel.core.words.base import Words, words_of

SIDES = {
    "drop": ("right of the plumb from", "left of the plumb from", "on the plumb from"),
    "level": ("lower than", "higher than", "level with"),
}
"""Of alignments: beyond, short of, and exactly on the line."""


@singledispatch
def said(reading: Sighting, words: Words) -> str:
    """A reading as an artist would say it."""
    raise TypeError(f"no words for {type(reading).__name__}")


@said.register
def _span(reading: Span, words: Words) -> str:
    way = {"straight": "straight", "level": "level", "plumb": "upright"}[reading.along]
    ends = f"{words.of(reading.start)} to {words.of(reading.end)}"
    return f"{ends}: {words.count(reading.units)} {reading.towards or way}"


@said.register
def _tilt(reading: Tilt, words: Words) -> str:
    ends = f"{words.of(reading.start)} to {words.of(reading.end)}"
    return f"{ends}: tilt {say_tilt(reading.degrees)}"


@said.register
def _alignment(reading: Alignment, words: Words) -> str:
    start, end = words.of(reading.start), words.of(reading.end)
    forward, backward, straight = SIDES[reading.kind]
    if reading.offset == 0.0:
        return f"{end} {straight} {start}"
    way = forward if reading.offset > 0 else backward
    return f"{end} {words.count(abs(reading.offset))} {way} {start}"


@said.register
def _part(reading: Part, words: Words) -> str:
    way = {"straight": "", "level": ", counted level", "plumb": ", counted upright"}[reading.along]
    ends = f"from {words.of(reading.start)} to {words.of(reading.end)}"
    return f"{words.of(reading.at)} at {say_number(reading.fraction)} of the way {ends}{way}"


@said.register
def _run(reading: Run, words: Words) -> str:
    line = f"{words.of(reading.start)} to {words.of(reading.end)}"
    return f"{line}, carried on, hits {words.of(reading.hits)}"


@said.register
def _match(reading: Match, words: Words) -> str:
    first = f"{words.of(reading.first[0])} to {words.of(reading.first[1])}"
    second = f"{words.of(reading.second[0])} to {words.of(reading.second[1])}"
    ways = {"straight": "", "level": ", measured level", "plumb": ", measured upright"}
    times = "equals" if reading.ratio == 1.0 else f"is {say_number(reading.ratio)} times"
    return f"{first} {times} {second}{ways[reading.along]}"


@said.register
def _parallel(reading: Parallel, words: Words) -> str:
    first = f"{words.of(reading.first[0])} to {words.of(reading.first[1])}"
    return f"{first} leans like {words.of(reading.second[0])} to {words.of(reading.second[1])}"


@said.register
def _order(reading: Order, words: Words) -> str:
    how = "lower" if reading.axis == "lower" else "further right"
    return f"{words.of(reading.first)} is {how} than {words.of(reading.second)}"


def say_reading(study: Study, sighting: Sighting) -> str:
    """A reading in words."""
    return said(sighting, words_of(study))


Asking = Callable[[str, str, str | None, str | None], str]


def _ask_span(start: str, end: str, along: str | None, towards: str | None) -> str:
    if along == "level":
        return f"Stick held level. How many units {towards} from {start} to {end}?"
    if along == "plumb":
        return f"Stick held upright. How many units {towards} from {start} to {end}?"
    return f"Stick laid along the two. How many units straight from {start} to {end}?"


ASKED: dict[str, Asking] = {
    "span": _ask_span,
    "tilt": lambda start, end, *_: (
        f"Lay the stick over {start} and {end}. Which hour does it show?"
    ),
    "drop": lambda start, end, *_: (
        f"Hang the plumb from {start}. How far right or left of it is {end}?"
    ),
    "level": lambda start, end, *_: (
        f"Hold the stick level at {start}. How much higher or lower is {end}?"
    ),
}
"""What to do for a reading of each kind that can be proposed."""


def ask_for(words: Words, kind: str, start: str, end: str, along: str | None,
            towards: str | None) -> str:  # fmt: skip
    """What to do for a suggested reading."""
    ask = ASKED.get(kind)
    first, second = words.of(start), words.of(end)
    return ask(first, second, along, towards) if ask else f"Sight {first} and {second} again."


def say_hang(words: Words, kind: str, through: str, near: int) -> str:
    """That a line is worth hanging, and how much may lie on it."""
    name = words.of(through)
    line = f"Hang a plumb through {name}" if kind == "drop" else f"Hold a level at {name}"
    return f"{line}: {near} landmarks may lie on it. Tap all that do."
