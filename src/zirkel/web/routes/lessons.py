"""Lessons: one scene given to a class, joined by a link, and its wall of results."""

from __future__ import annotations

from flask import Response

from zirkel.commands.lessons import (
    give_again,
    join_lesson,
    lesson_file,
    make_lesson,
    take_lesson_file,
)
from zirkel.core.values.names import slug
from zirkel.views.lessons import (
    Joined,
    LessonList,
    LessonShown,
    LessonWall,
    lesson_shown,
    lesson_wall,
    list_lessons,
)
from zirkel.web.border import blueprint, file_reply, store
from zirkel.web.door import door
from zirkel.web.guard import body_as
from zirkel.web.live import live
from zirkel.web.problems import as_json
from zirkel.web.refused import refusals
from zirkel.web.requests import Closing, Joining, LessonMade, LessonPath

routes = blueprint("lessons", "One scene for a class")


@routes.get("/lessons", responses={"200": LessonList}, operation_id="lessons")
def get_lessons() -> Response:
    """All lessons, and the scenes that can be given."""
    return as_json(list_lessons(store()))


@routes.post("/lessons", responses={"201": LessonShown}, operation_id="makeLesson")
def post_lesson(body: LessonMade) -> Response:
    """Give a class a scene, a study, or what another class was given."""
    if body.again is not None:
        made = give_again(store(), body.again)
    else:
        made = make_lesson(
            store(), body.title, body.scene, body.study, body.task, body.method, body.eye_first
        )
    return as_json(lesson_shown(store(), made.id), 201)


@routes.post("/lessons/file", responses={"201": LessonShown}, operation_id="takeLessonFile")
def post_lesson_file() -> Response:
    """Give a class what a lesson file holds, sent as the request's body."""
    made = take_lesson_file(store(), body_as("application/json"))
    return as_json(lesson_shown(store(), made.id), 201)


@routes.get("/lessons/<lesson>/file", operation_id="lessonFile")
def get_lesson_file(path: LessonPath) -> Response:
    """What the lesson gives, as a file to be given again."""
    title, data = lesson_file(store(), path.lesson)
    return file_reply(data, "application/json", f"{slug(title, 'lesson')}.zirkel-lesson.json")


@routes.get("/lessons/<lesson>", responses={"200": LessonShown}, operation_id="lesson")
def get_lesson(path: LessonPath) -> Response:
    """A lesson as it is joined."""
    return as_json(lesson_shown(store(), path.lesson))


@routes.post("/lessons/<lesson>/pupils", responses={"200": Joined}, operation_id="joinLesson")
def post_pupil(path: LessonPath, body: Joining) -> Response:
    """Join under a name, or go on under it."""
    made = door()
    guest = None if made is None else made.guest()
    device = guest.device if guest is not None else None
    own = device.id if device is not None and device.lesson is not None else None
    study = join_lesson(store(), path.lesson, body.name, body.again, own)
    return as_json(Joined(study_id=study))


@routes.put("/lessons/<lesson>/closed", responses={"200": LessonShown}, operation_id="closeLesson")
def put_closed(path: LessonPath, body: Closing) -> Response:
    """Let nobody join any more, or again."""
    store().lessons.close(path.lesson, body.closed)
    return as_json(lesson_shown(store(), path.lesson))


@routes.get("/lessons/<lesson>/wall", responses={"200": LessonWall}, operation_id="lessonWall")
def get_lesson_wall(path: LessonPath) -> Response:
    """How near each pupil came, and what is common."""
    pupils = store().lessons.pupils(path.lesson)
    theirs = {each.study_id for each in pupils if each.device is not None}
    return as_json(lesson_wall(store(), path.lesson, live().rooms(theirs), refusals().all()))
