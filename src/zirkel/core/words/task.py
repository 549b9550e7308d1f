"""What is said of a lesson's task, and of how far it is."""

from __future__ import annotations

from collections.abc import Collection

from zirkel.core.study import Study
from zirkel.core.task import Task

KIND_WORDS = {
    "span": "lengths", "tilt": "tilts", "drop": "plumbs", "level": "levels", "part": "parts",
    "match": "equal lengths", "run": "lines carried on", "parallel": "edges that lean alike",
    "order": "what is lower or further right",
}  # fmt: skip

TRUTH_WORDS = {
    "handed_in": "The truth is shown once it is handed in.",
    "any": "The truth may be looked at; the teacher sees that it was.",
    "never": "The truth is shown on the teacher's wall.",
}


def say_asked(task: Task) -> str:
    """What to hand in."""
    if task.hand_in == "readings":
        return "One reading" if task.readings == 1 else f"{task.readings} readings"
    return "The block-in" if task.hand_in == "block_in" else "The drawing, photographed"


def say_kinds(task: Task) -> str | None:
    """Which readings may be taken, where not all may."""
    if not task.kinds:
        return None
    names = [KIND_WORDS[each] for each in KIND_WORDS if each in task.kinds]
    return f"Only {' and '.join(filter(None, (', '.join(names[:-1]), names[-1])))}."


def say_progress(study: Study, task: Task, loose: Collection[str]) -> tuple[str, bool]:
    """How far what is to be handed in is, and whether that is all of it."""
    if task.hand_in == "readings":
        taken = sum(not each.struck and task.allows(each.kind) for each in study.sightings)
        return f"{min(taken, task.readings)} of {task.readings}", taken >= task.readings
    points = len(study.landmarks)
    if task.hand_in == "block_in":
        return f"{points - len(loose)} of {points} held", not loose
    if study.photograph is None:
        return "not photographed yet", False
    marked = sum(each.id in study.drawn for each in study.landmarks)
    return f"{marked} of {points} marked", marked == points
