"""What a pupil's study may be changed to while a lesson asks for it; when its truth is shown."""

from __future__ import annotations

from collections.abc import Iterator

from zirkel.core.study import Study
from zirkel.core.task import Task

COMPARED = ("landmarks", "sightings", "drawn", "photograph", "ruled", "resighted")
"""What is handed in."""

GIVEN = {
    "unit": "the lesson counts in its own unit",
    "method": "the lesson is worked by its own school",
    "subject": "the lesson gives what is drawn, and from where",
}
"""What a pupil doesn't change, and why."""


def beyond(before: Study, after: Study) -> tuple[str, str] | None:
    """Field and reason where a change in a lesson is none that a pupil may make."""
    asked = before.task
    if asked is None or asked.lesson is None:
        return None
    return next(_refusals(asked, before, after), None)


def _refusals(asked: Task, before: Study, after: Study) -> Iterator[tuple[str, str]]:
    if after.task is None:
        yield "task", "it is the lesson's as long as the lesson lasts"
    for name, why in GIVEN.items():
        if getattr(before, name) != getattr(after, name):
            yield name, f"can't be another one: {why}"
    if before.eye_first and not after.eye_first:
        yield "eye_first", "the lesson asks for the eye first"
    back = after.task is None or after.task.handed_at is None
    if asked.handed_at is not None and not back:
        for name in COMPARED:
            if getattr(before, name) != getattr(after, name):
                yield name, "it is handed in: take it back to go on with it"
    had = {each.id: each.kind for each in before.sightings}
    for each in after.sightings:
        if had.get(each.id) != each.kind and not asked.allows(each.kind):
            yield "kind", f"“{each.kind}” is not among those that the lesson allows"


def truth_is_shown(study: Study) -> bool:
    """Whether what Zirkel knows of the subject may be looked at: always, where no lesson asks."""
    asked = study.task
    if asked is None or asked.lesson is None:
        return True
    return asked.truth == "any" or (asked.truth == "handed_in" and asked.handed_at is not None)
