"""Lessons in the shelf's archive: each with its pupils, whose studies are named by their parts."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace
from datetime import datetime
from typing import Annotated, Any

from pydantic import BaseModel, ConfigDict, Field, ValidationError

from zirkel.core.study import SimulatedSubject
from zirkel.errors import BadInput
from zirkel.store.lessons import MOST_PUPILS, Lesson, Pupil
from zirkel.store.store import Store
from zirkel.studyfile.entries import Name
from zirkel.studyfile.problems import said_plainly
from zirkel.studyfile.read import parse_json, study_from
from zirkel.studyfile.schema import study_to_file

ID = r"^[0-9a-f]{8}$"


class PupilPart(BaseModel):
    """A pupil, and the part of the archive that is their study."""

    model_config = ConfigDict(extra="forbid")
    name: Annotated[Name, Field(max_length=80)]
    study: str = Field(max_length=200)
    looked_at: datetime | None = None


class LessonPart(BaseModel):
    """A lesson as it lies in an archive."""

    model_config = ConfigDict(extra="forbid")
    id: str = Field(pattern=ID)
    title: Name
    scene: str = Field(max_length=80)
    made_at: datetime
    closed: bool = False
    given: dict[str, Any] | None = None
    pupils: list[PupilPart] = Field(max_length=MOST_PUPILS)


def lesson_parts(store: Store, parts: Mapping[int, str]) -> list[LessonPart]:
    """Every lesson; `parts` are the archive's parts by the number of their study."""
    return [
        LessonPart(
            id=lesson.id, title=lesson.title, scene=lesson.scene, made_at=lesson.made_at,
            closed=lesson.closed, given=lesson.given,
            pupils=[
                PupilPart(
                    name=each.name, study=parts[each.study_id], looked_at=each.looked_at
                )
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
    if scene or read.given is None:
        store.scenes.get(scene)
    lesson = Lesson(
        read.id, read.title, scene, _plain(read.made_at), read.closed, _given(read.given, scene)
    )
    # By its study, each pupil once.
    pupils = {
        studies[each.study]: Pupil(
            studies[each.study], each.name,
            looked_at=None if each.looked_at is None else _plain(each.looked_at),
        )
        for each in read.pupils if each.study in studies
    }  # fmt: skip
    new = store.lessons.take_in(lesson, pupils.values())
    lost = [each.name for each in read.pupils if each.study not in studies]
    if lost:
        raise BadInput("pupils", f"the study of {', '.join(lost)} did not come with it")
    return new


def _plain(said: datetime) -> datetime:
    return said.replace(tzinfo=None)


def _given(document: dict[str, Any] | None, scene: str) -> dict[str, Any] | None:
    """What the lesson gives, read and written anew, its scene under the name that it has here."""
    if document is None:
        return None
    study = study_from(document)
    if isinstance(study.subject, SimulatedSubject):
        study = replace(study, subject=replace(study.subject, scene=scene))
    return study_to_file(study)
