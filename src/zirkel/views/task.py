"""A lesson's task as a pupil's study has it: what to hand in, how far that is, until when."""

from __future__ import annotations

from pydantic import BaseModel

from zirkel.core.task import Task
from zirkel.core.words.task import TRUTH_WORDS, say_asked, say_kinds, say_progress
from zirkel.core.worked import Worked


class BenchTask(BaseModel):
    """What the lesson asks of this study, in words; `due` and `handed_at` are times, `kinds` the
    kinds of reading that may be taken (all where it is empty). Where `binding` is false the lesson
    is over for this study, and it may be left behind."""

    asks: str
    progress: str
    done: bool
    text: str | None
    picture: str | None
    kinds: list[str]
    said_kinds: str | None
    truth: str
    due: str | None
    handed_at: str | None
    late: bool
    binding: bool


def picture_shown(task: Task) -> str | None:
    """Where the picture of what to look for is served."""
    return None if task.picture is None else f"/api/v1/pictures/{task.picture}/view"


def task_of(worked: Worked) -> BenchTask | None:
    """The task of a study; None where no lesson asks."""
    study, task = worked.study, worked.study.task
    if task is None:
        return None
    loose = [name for name, each in worked.standing.items() if each == "loose"]
    progress, done = say_progress(study, task, loose)
    return BenchTask(
        asks=say_asked(task), progress=progress, done=done, text=task.text,
        picture=picture_shown(task), kinds=list(task.kinds), said_kinds=say_kinds(task),
        truth=TRUTH_WORDS[task.truth], due=task.due, handed_at=task.handed_at, late=task.late,
        binding=task.lesson is not None,
    )  # fmt: skip
