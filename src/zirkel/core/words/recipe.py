"""The recipe's steps, said as a colleague at the next easel would say them."""

from __future__ import annotations

from zirkel.core.sheet.recipe.construct import Construction, Squares, Step
from zirkel.core.values.lengths import say_length
from zirkel.core.values.tilts import say_tilt
from zirkel.core.words.base import Words

PART_SAID = {1 / 2: "Half", 1 / 3: "A third", 2 / 3: "Two thirds", 1 / 4: "A quarter",
             3 / 4: "Three quarters"}  # fmt: skip

SIDES = {
    "plumb": ("right of", "left of"),
    "level": ("below", "above"),
    "down": ("down", "up"),
    "across": ("to the right", "to the left"),
}


def say_step(step: Step, words: Words, inches: bool) -> str:
    """One step, from landmarks by their names."""
    if step.manner == "edge":
        return f"{say_length(step.value, inches)} from the sheet's {step.via[0]} edge."
    if step.manner == "pull":
        return "Pull its height straight across from the subject."
    first = words.of(step.via[0])
    if step.manner == "part":
        return f"{PART_SAID[step.value]} of the way from {first} to {words.of(step.via[1])}."
    if step.manner == "tilt":
        return f"Carry a tilt of {say_tilt(step.value, 1)} from {first}."
    return _say_length_step(step, first, _length(step, words, inches))


def _say_length_step(step: Step, first: str, much: str) -> str:
    if step.manner == "length":
        return f"{much} from {first}."
    side = SIDES[step.manner][0 if step.value >= 0 else 1]
    if step.manner in ("down", "across"):
        return f"From {first} straight {side}: {much}."
    line = "plumb" if step.manner == "plumb" else "level"
    if step.value == 0:
        return f"On the {line} of {first}."
    return f"{much} {side} the {line} of {first}."


def say_how(
    construction: Construction, words: Words, inches: bool, squares: Squares | None = None
) -> tuple[str, ...]:
    """All steps of a construction, in order; places in a grid's squares by their labels."""
    if construction.steps[0].manner == "square" and squares is not None:
        label, across, down = squares.place(*construction.place)
        return (f"In square {label}: {_tenths(across)} across, {_tenths(down)} down.",)
    return tuple(say_step(each, words, inches) for each in construction.steps)


def _tenths(share: float) -> str:
    return {0: "none", 5: "half", 10: "all"}.get(round(10 * share), f"{round(10 * share)} tenths")


def _length(step: Step, words: Words, inches: bool) -> str:
    if step.units is not None:
        return words.count(abs(step.units))
    return say_length(abs(step.value), inches)
