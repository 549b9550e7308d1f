"""Studies made, begun from a scene, taken in from a file, and written to one."""

from __future__ import annotations

import json
from dataclasses import replace

from zirkel.core.simulation.begun import study_of_scene
from zirkel.core.study import Sheet, Study
from zirkel.core.values.names import slug
from zirkel.errors import Unreadable
from zirkel.store.store import Store, Stored
from zirkel.studyfile.read import read_study, write_study
from zirkel.studyfile.schema import StudyFile, study_to_core

LONGEST_TITLE = 190
"""Characters of a title that leave room for “copy”."""


def make_study(store: Store, draft: StudyFile) -> Stored:
    """Keep a new study as drafted on screen."""
    return store.create(study_to_core(draft))


def begin_from_scene(store: Store, name: str, sheet: Sheet | None) -> Stored:
    """Keep a new study of a scene: landmarks, shapes and unit are the scene's, the thumbnail is
    tapped roughly, nothing is read yet."""
    return store.create(study_of_scene(store.scenes.get(name), sheet))


def import_study(store: Store, data: bytes) -> Stored:
    """Keep a new study from a study file's bytes; BadInput says what is wrong with them."""
    return store.create(_free(read_study(data)))


def _free(study: Study) -> Study:
    """The study as its artist's own: what a lesson asked stays on record, and binds no longer."""
    return study if study.task is None else replace(study, task=replace(study.task, lesson=None))


def copy_study(store: Store, study_id: int) -> Stored:
    """Keep another study with all that is in this one, and a history of its own."""
    study = _free(store.get(study_id).study)
    return store.create(replace(study, title=f"{study.title[:LONGEST_TITLE]}, copy"))


def export_study(store: Store, study_id: int) -> tuple[str, bytes]:
    """File name and bytes of a study file; one that can't be read is written as it is kept."""
    try:
        study = store.get(study_id).study
        return f"{slug(study.title)}.zirkel.json", write_study(study)
    except Unreadable:
        title, document = store.file_as_kept(study_id)
        return f"{slug(title)}.zirkel.json", json.dumps(document, indent=1).encode()
