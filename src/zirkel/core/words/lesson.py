"""What is said of a class: habits of readings, and what a drawing was checked to be."""

from __future__ import annotations

from collections.abc import Callable, Sequence

from zirkel.core.lesson.habits import REFUSED, Habit
from zirkel.core.task import Task

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


SHOW = {
    "long": "One arm locked, one bent, the same door frame counted with both.",
    "short": "One arm locked, one bent, the same door frame counted with both.",
    "clockwise": "The stick against a window pane: it tilts, it never leans towards the subject.",
    "anticlockwise": "The stick against a window pane: it tilts, it never leans towards the "
                     "subject.",
    "plumb_right": "The plumb hung, then the other eye shut: how far it jumps.",
    "plumb_left": "The plumb hung, then the other eye shut: how far it jumps.",
    "level_low": "The stick laid on a glass of water, then sighted along.",
    "level_high": "The stick laid on a glass of water, then sighted along.",
    "slips": "Every landmark pointed at by two pupils, each without the other.",
}  # fmt: skip
"""What to show the class next time, by the habit that is common."""


def say_stuck(refused: int, quiet_min: float | None) -> str | None:
    """Why somebody may need help: `quiet_min` minutes without anything done, or refusals."""
    if refused >= REFUSED:
        return f"Refused {refused} times in a row."
    return None if quiet_min is None else f"Nothing for {quiet_min:.0f} minutes."


def say_handed(task: Task | None) -> str | None:
    """That it was handed in, and whether in time; None where it wasn't."""
    if task is None or task.handed_at is None:
        return None
    return "Handed in, late" if task.late else "Handed in"


TIERS = {1: "large shapes", 2: "middle", 3: "detail"}


def say_tiers(landmarks: Sequence[tuple[int, bool]]) -> list[str]:
    """How many landmarks of each tier are held, from (tier, held)."""
    made = []
    for tier, name in TIERS.items():
        own = [held for each, held in landmarks if each == tier]
        if own:
            made.append(f"{name} {sum(own)} of {len(own)}")
    return made


def say_habit(habit: Habit) -> str:
    """One pupil's habit."""
    return HABITS[habit.habit](habit)
