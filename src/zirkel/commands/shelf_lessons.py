"""Lessons in the shelf's archive: each with its pupils, whose studies are named by their parts."""

from __future__ import annotations

from collections.abc import Mapping
from datetime import datetime
from typing import Annotated

from pydantic import BaseModel, ConfigDict, Field, ValidationError

from zirkel.errors import BadInput
from zirkel.store.lessons import MOST_PUPILS, Lesson, Pupil
from zirkel.store.store import Store
from zirkel.studyfile.entries import Name
from zirkel.studyfile.problems import said_plainly
from zirkel.studyfile.read import parse_json

ID = r"^[0-9a-f]{8}$"


class PupilPart(BaseModel):
    """A pupil, and the part of the archive that is their study."""

    model_config = ConfigDict(extra="forbid")
    name: Annotated[Name, Field(max_length=80)]
    study: str = Field(max_length=200)


class LessonPart(BaseModel):
    """A lesson as it lies in an archive."""

    model_config = ConfigDict(extra="forbid")
    id: str = Field(pattern=ID)
    title: Name
    scene: str = Field(min_length=1, max_length=80)
    made_at: datetime
    closed: bool = False
    pupils: list[PupilPart] = Field(max_length=MOST_PUPILS)


def lesson_parts(store: Store, parts: Mapping[int, str]) -> list[LessonPart]:
    """Every lesson; `parts` are the archive's parts by the number of their study."""
    return [
        LessonPart(
            id=lesson.id, title=lesson.title, scene=lesson.scene, made_at=lesson.made_at,
            closed=lesson.closed,
            pupils=[
                PupilPart(name=each.name, study=parts[each.study_id])
                for each in store.lessons.pupils(lesson.id) if each.study_id in parts
            ],
        )
        for lesson, _ in store.lessons.all()
    ]  # fmt: skip


def take_lesson(
    store: Store, data: bytes, studies: Mapping[str, int], renamed: Mapping[str, str]
) -> bool:
    """Take a lesson in; whether anything of it was new. `studies` are numbers by the part that they
    came from, `renamed` scenes that have another name here. BadInput where it is no lesson, or its
    scene isn't here."""
    document = parse_json(data, what="lesson")
    try:
        read = LessonPart.model_validate(document)
    except ValidationError as error:
        raise said_plainly(error, document) from error
    scene = renamed.get(read.scene, read.scene)
    store.scenes.get(scene)
    made_at = read.made_at.replace(tzinfo=None)
    lesson = Lesson(read.id, read.title, scene, made_at, read.closed)
    # By its study, each pupil once.
    pupils = {studies[each.study]: each.name for each in read.pupils if each.study in studies}
    new = store.lessons.take_in(lesson, [Pupil(*each) for each in pupils.items()])
    lost = [each.name for each in read.pupils if each.study not in studies]
    if lost:
        raise BadInput("pupils", f"the study of {', '.join(lost)} did not come with it")
    return new
