"""What is said of a class: habits of readings, and what a drawing was checked to be."""

from __future__ import annotations

from collections.abc import Callable

from zirkel.core.lesson import Habit

HABITS: dict[str, Callable[[Habit], str]] = {
    "long": lambda each: f"counts lengths {100.0 * each.amount:.0f} % too long",
    "short": lambda each: f"counts lengths {100.0 * each.amount:.0f} % too short",
    "clockwise": lambda each: f"reads tilts {each.amount:.0f}° clockwise",
    "anticlockwise": lambda each: f"reads tilts {each.amount:.0f}° anticlockwise",
    "plumb_right": lambda each: f"sees things {each.amount:.2f} units right of the plumb",
    "plumb_left": lambda each: f"sees things {each.amount:.2f} units left of the plumb",
    "level_low": lambda each: f"sees things {each.amount:.2f} units below the level",
    "level_high": lambda each: f"sees things {each.amount:.2f} units above the level",
    "slips": lambda each: f"{each.amount:.0f} of {each.readings} readings slipped",
}

COMMON = {
    "long": "Lengths counted too long: is the stick as far away at both ends?",
    "short": "Lengths counted too short: a bent elbow brings the stick nearer.",
    "clockwise": "Tilts read clockwise: the stick is turned out of the upright plane.",
    "anticlockwise": "Tilts read anticlockwise: the stick is turned out of the upright plane.",
    "plumb_right": "Right of the plumb: the string hung before the other eye, or swung.",
    "plumb_left": "Left of the plumb: the string hung before the other eye, or swung.",
    "level_low": "Below the level: the stick's far end was held too high.",
    "level_high": "Above the level: the stick's far end was held too low.",
    "slips": "Single readings far off: a landmark mistaken, a fraction misread.",
}
"""What a habit is called when several share it, and what it usually comes from."""


def say_habit(habit: Habit) -> str:
    """One pupil's habit."""
    return HABITS[habit.habit](habit)
