"""A lesson made, and joined: each pupil gets a study of the same, thumbnail and all."""

from __future__ import annotations

import hashlib
from dataclasses import replace
from datetime import datetime
from threading import Lock

from zirkel.commands.scenes import add_scene
from zirkel.core.schools.taking_up import taken_up
from zirkel.core.simulation.begun import study_of_scene
from zirkel.core.study import PictureSubject, SimulatedSubject, Study, UnitPair
from zirkel.core.subject.sight import sight_size_of
from zirkel.core.task import Task
from zirkel.errors import BadInput
from zirkel.pictures.prepare import prepared_before
from zirkel.store.given import given_by
from zirkel.store.lessons import MOST_PUPILS, Lesson
from zirkel.store.store import Store
from zirkel.studyfile.lesson_file import Given, read_lesson, write_lesson
from zirkel.studyfile.read import prove
from zirkel.studyfile.schema import study_to_file

LONGEST_NAME = 60
_joining = Lock()
"""Two of one name who join at once get one study each, or are told."""


def make_lesson(
    store: Store, title: str, scene: str | None = None, study: int | None = None,
    task: Task | None = None, method: str | None = None, eye_first: bool = False,
) -> Lesson:  # fmt: skip
    """Give a class a scene, or what one of the artist's own studies is of; NotFound where it isn't
    here, BadInput where there is nothing in it to give."""
    if (scene is None) == (study is None):
        raise BadInput("scene", "give a scene, or a study of your own")
    if study is not None:
        begun = _begun(store.get(study).study)
    else:
        assert scene is not None
        found = store.scenes.get(scene)
        begun = replace(study_of_scene(found, None), title=found.title)
    asked = replace(task or Task(), lesson=None, due=None, handed_at=None)
    return _kept(
        store,
        title,
        _by_school(store, replace(begun, eye_first=eye_first or begun.eye_first), method),
        asked,
    )


def give_again(store: Store, lesson_id: str) -> Lesson:
    """Give the same to the next class."""
    lesson = store.lessons.get(lesson_id)
    given = given_by(store, lesson)
    return _kept(store, lesson.title, given, given.task or Task())


def lesson_file(store: Store, lesson_id: str) -> tuple[str, bytes]:
    """The lesson's title and the bytes of its file, with what it needs beside it."""
    lesson = store.lessons.get(lesson_id)
    study = given_by(store, lesson)
    pictures = {name: store.pictures.get(name).path.read_bytes() for name in _pictures(study)}
    own = store.scenes.added()
    scenes = {lesson.scene: own[lesson.scene]} if lesson.scene in own else {}
    return lesson.title, write_lesson(Given(lesson.title, study, pictures, scenes))


def take_lesson_file(store: Store, data: bytes) -> Lesson:
    """Give what a lesson file holds; BadInput says what is wrong with it."""
    given = read_lesson(data)
    study = given.study
    for name, picture in given.pictures.items():
        if hashlib.sha256(picture).hexdigest() != name:
            raise BadInput(f"pictures.{name}", "is another picture than its name says")
        made = prepared_before(picture)
        store.pictures.add(picture, made.ending, made.width, made.height)
    subject = study.subject
    if isinstance(subject, SimulatedSubject) and subject.scene in given.scenes:
        found = add_scene(store, given.scenes[subject.scene])
        study = replace(study, subject=replace(subject, scene=found.name))
    task = replace(study.task or Task(), lesson=None, due=None, handed_at=None)
    return _kept(store, given.title, _begun(study), task)


def _begun(study: Study) -> Study:
    """What a class can be given of a study; BadInput where there is nothing to compare with."""
    subject = study.subject
    if subject is None:
        raise BadInput(
            "study",
            "is of something live, which everybody sees from elsewhere: photograph it, take the "
            "picture as the subject of a study, and give that",
        )
    if not isinstance(study.unit, UnitPair):
        raise BadInput("study", "counts in a length on the sheet: choose a unit on the subject")
    if len(study.landmarks) < 3:
        raise BadInput("study", "has fewer than three points: name what is to be sighted")
    if isinstance(subject, PictureSubject):
        # Zirkel must not read for them what they are to sight.
        subject = replace(subject, silent=True)
    return replace(
        study.anew(), subject=subject, unit_mm=study.unit_mm, sight_size_mm=study.sight_size_mm,
        unit_mm_elsewhere=study.unit_mm_elsewhere,
    )  # fmt: skip


def _by_school(store: Store, study: Study, method: str | None) -> Study:
    if method is None:
        return study
    subject = study.subject
    scene = store.scenes.get(subject.scene) if isinstance(subject, SimulatedSubject) else None
    return taken_up(study, method, sight_size_of(study, scene))


def _kept(store: Store, title: str, begun: Study, task: Task) -> Lesson:
    scene = begun.subject.scene if isinstance(begun.subject, SimulatedSubject) else ""
    if scene:
        store.scenes.get(scene)
    called = " ".join(title.split())[:200] or begun.title
    given = replace(begun, title=called, task=task)
    for name in _pictures(given):
        store.pictures.get(name)
    prove(given)
    return store.lessons.make(called, scene, study_to_file(given))


def _pictures(study: Study) -> list[str]:
    subject = study.subject
    drawn = [subject.picture] if isinstance(subject, PictureSubject) else []
    shown = [study.task.picture] if study.task is not None and study.task.picture else []
    return list(dict.fromkeys([*drawn, *shown]))


def join_lesson(
    store: Store, lesson_id: str, name: str, again: bool, device: str | None = None
) -> int:
    """The study of a pupil of that name, made where there is none; `device` is the one that was let
    in for the lesson alone. BadInput where the name is taken and it wasn't said that it is the same
    pupil again, or another's device made it."""
    plain = " ".join(name.split())[:LONGEST_NAME]
    if not plain:
        raise BadInput("name", "is empty: give the name by which the class knows you")
    with _joining:
        lesson = store.lessons.get(lesson_id)
        pupils = store.lessons.pupils(lesson_id)
        known = next((e for e in pupils if e.name.casefold() == plain.casefold()), None)
        if known is not None:
            if device is not None and known.device != device:
                raise BadInput("name", f"{known.name} came with another device: take another name")
            if again:
                return known.study_id
            raise BadInput(
                "name",
                f"{known.name} is here already: go on as {known.name}, or take another name",
            )
        if lesson.closed:
            raise BadInput("lesson", "nobody joins this lesson any more: ask who teaches it")
        if len(pupils) >= MOST_PUPILS:
            raise BadInput("lesson", f"{MOST_PUPILS} pupils are in it: nobody else can join")
        made = store.create(_own(given_by(store, lesson), lesson, plain))
        store.lessons.join(lesson_id, plain, made.id, device)
        return made.id


def _own(given: Study, lesson: Lesson, name: str) -> Study:
    """A pupil's own study of what is given, due from now on."""
    task = given.task
    if task is not None:
        task = replace(task, lesson=lesson.id, due=task.due_from(datetime.now().astimezone()))
    return replace(
        given, title=f"{name}: {lesson.title}"[:200], tags=(lesson.title[:200],), task=task
    )
