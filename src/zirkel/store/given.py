"""What a lesson gives each pupil to begin with."""

from __future__ import annotations

from zirkel.core.simulation.begun import study_of_scene
from zirkel.core.study import Study
from zirkel.store.lessons import Lesson
from zirkel.store.store import Store
from zirkel.studyfile.read import study_from


def given_by(store: Store, lesson: Lesson) -> Study:
    """The study that each pupil of a lesson begins with."""
    if lesson.given is None:
        return study_of_scene(store.scenes.get(lesson.scene), None)
    return study_from(lesson.given)
