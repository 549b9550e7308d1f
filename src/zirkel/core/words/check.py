"""What a check finds as a whole, as a colleague would say it standing back."""

from __future__ import annotations

from collections.abc import Sequence

from zirkel.core.check.causes.base import Fault
from zirkel.core.check.suspects import Suspect
from zirkel.core.drawn import Ruled
from zirkel.core.sightings import Sighting
from zirkel.core.words.base import Words
from zirkel.core.words.checked import EDGES, MANY, About, listed
from zirkel.core.words.drawn_wrong import say_fault
from zirkel.core.words.network import say_value
from zirkel.core.words.sightings import said


def say_measure(each: Ruled | Sighting, words: Words) -> str:
    """A measure of the drawing: "Jug, foot: 112 mm from the left edge"."""
    if isinstance(each, Sighting):
        return said(each, words)
    name, length = words.of(each.landmark), words.length(round(abs(each.mm), 1))
    if each.side == "plumb":
        way = "right" if each.mm >= 0 else "left"
        return f"{name}: {length} {way} of the drawn plumb line"
    if each.side is not None:
        return f"{name}: {length} from {EDGES[each.side]}"
    other = words.of(each.start or "")
    if each.along == "straight":
        return f"{other} to {name}: {length} straight"
    ways = {"level": ("right of", "left of"), "plumb": ("lower than", "higher than")}[each.along]
    return f"{name}: {length} {ways[each.mm < 0]} {other}"


def say_verdict(about: About) -> str:
    """All in one sentence."""
    check, found = about.check, about.check.diagnosis
    outside = [name for name, each in check.standing.items() if not each.within]
    if not check.off and not outside and not check.touch_up:
        return "It stands. Nothing is off by more than you allow."
    whole = [each for each in found.faults if not each.landmarks]
    if whole and len(whole) == len(found.faults):
        told = "It is off as a whole, not in one place."
    elif whole:
        told = "It is off as a whole, and in part besides."
    elif len(found.faults) == 1:
        told = f"It is off in one place: {about.called(found.faults[0].landmarks)}."
    elif found.faults:
        told = "It is off in a few places; the rest stands."
    elif found.unexplained is None:
        told = f"It stands; touch up {_marks(about, tuple(check.touch_up) or outside)} in passing."
    else:
        told = ""
    if found.unexplained is not None:
        lost = len(found.unexplained.landmarks)
        more = "The rest" if told else "It is off, but"
        told = (
            f"{told} {more} {'is' if told else ''} explained by none of the usual causes: {lost} "
            "marks lie each its own way. Take the large ones again, one by one."
        )
    return " ".join(told.split())


def _marks(about: About, landmarks: Sequence[str]) -> str:
    if len(landmarks) > MANY:
        return f"{len(landmarks)} marks"
    return listed([about.words.of(each) for each in landmarks])


TOLD_BELOW = 0.9


def say_sure(about: About) -> str:
    """How often what is named first is right, where that isn't nearly always."""
    sure = about.check.diagnosis.sure
    if sure is None or sure >= TOLD_BELOW:
        return ""
    return f" Of ten such drawings that is so in {_TEN[round(10.0 * sure)]}."


_TEN = ("none", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "nine")


def say_runner_up(about: About, other: Fault) -> str:
    """Another cause that explains nearly as much."""
    return f"It could also be this, the measures can hardly tell: {say_fault(about, other)}"


def say_suspect(about: About, suspect: Suspect) -> str:
    """That rather a reading is wrong than the drawing."""
    reading = next(each for each in about.study.sightings if each.id == suspect.sighting)
    found = say_value(about.words, reading, suspect.expected)
    by = f" By the drawing it would be {found}." if reading.value_field else ""
    return (
        f"Before you move anything: rather one reading is wrong than the drawing. Sight it again: "
        f"{said(reading, about.words)}.{by}"
    )
