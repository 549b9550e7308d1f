"""What is said of drawings one after the other: habits, and what came of the last check."""

from __future__ import annotations

from zirkel.core.check.since import Since
from zirkel.core.practice.drawings import Habit
from zirkel.core.words.base import Words
from zirkel.core.words.checked import MANY, listed, say_way

DID: dict[tuple[str, str], str] = {
    ("size", "more"): "came out too large",
    ("size", "less"): "came out too small",
    ("growth", "more"): "grew from where they were begun",
    ("growth", "less"): "shrank from where they were begun",
    ("group_size", "more"): "had a part of them too large",
    ("group_size", "less"): "had a part of them too small",
    ("wide", "more"): "had a shape too wide",
    ("wide", "less"): "had a shape too narrow",
    ("tall", "more"): "had a shape too tall",
    ("tall", "less"): "had a shape too low",
    ("stretch", "more"): "were too tall for their width",
    ("stretch", "less"): "were too wide for their height",
    ("tilt", "more"): "were turned clockwise",
    ("tilt", "less"): "were turned anticlockwise",
    ("lean", "more"): "leaned to the right",
    ("lean", "less"): "leaned to the left",
    ("uprights", "more"): "had leaning edges drawn upright",
    ("depth", "more"): "had too long what runs back",
    ("flat", "more"): "had rims rounder than they are seen",
}
NUMBERS = {3: "Three", 4: "Four", 5: "Five"}


def say_habit(each: Habit) -> str | None:
    """A habit in words; None for one that nobody would call that."""
    did = DID.get((each.kind, each.way))
    if did is None:
        return None
    last = "last three" if each.of == 3 else f"last {NUMBERS[each.of].lower()}"
    if each.times == each.of:
        return f"Your {last} drawings all {did}."
    return f"{NUMBERS[each.times]} of your {last} drawings {did}."


def say_since(each: Since, words: Words) -> list[str]:
    """What the paper shows of the moves that were asked for, and what moved besides."""
    made = []
    for said, came in (("Repaired since", each.repaired), ("Not repaired yet", each.open)):
        if came:
            made.append(f"{said}: {_called(came, words)}.")
    told = [f"{words.of(name)} {say_way(words, *way)}" for name, way in each.besides.items()]
    if told:
        made.append(f"Moved besides, and for the worse: {listed(told[:MANY])}.")
    return made


def _called(marks: tuple[str, ...], words: Words) -> str:
    if len(marks) > MANY:
        return f"{len(marks)} marks"
    return listed([words.of(name) for name in marks])
