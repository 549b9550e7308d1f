"""A lesson made, and joined: each pupil gets a study of the same scene, thumbnail and all."""

from __future__ import annotations

from dataclasses import replace
from threading import Lock

from zirkel.commands.studies import study_of_scene
from zirkel.errors import BadInput
from zirkel.store.lessons import MOST_PUPILS, Lesson
from zirkel.store.store import Store

LONGEST_NAME = 60
_joining = Lock()
"""Two of one name who join at once get one study each, or are told."""


def make_lesson(store: Store, title: str, scene: str) -> Lesson:
    """Give a scene to a class; NotFound where there is no such scene."""
    found = store.scenes.get(scene)
    return store.lessons.make(" ".join(title.split()) or found.title, scene)


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
        study = study_of_scene(store.scenes.get(lesson.scene), None)
        titled = replace(study, title=f"{plain}: {lesson.title}"[:200], tags=(lesson.title[:200],))
        made = store.create(titled)
        store.lessons.join(lesson_id, plain, made.id, device)
        return made.id
