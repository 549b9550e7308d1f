"""Studies made, begun from a scene, taken in from a file, and written to one."""

from __future__ import annotations

import json
from dataclasses import replace

import numpy as np

from zirkel.core.simulation.artist import Hand, fresh_study
from zirkel.core.study import Sheet, Study
from zirkel.core.subject.picture import box_of
from zirkel.core.subject.scene import Scene
from zirkel.core.values.names import slug
from zirkel.errors import Unreadable
from zirkel.store.store import Store, Stored
from zirkel.studyfile.read import read_study, write_study
from zirkel.studyfile.schema import StudyFile, study_to_core

LONGEST_TITLE = 190
"""Characters of a title that leave room for “copy”."""

TAPPED = 4
"""Seed of the roughness with which a scene's thumbnail is tapped."""


def make_study(store: Store, draft: StudyFile) -> Stored:
    """Keep a new study as drafted on screen."""
    return store.create(study_to_core(draft))


def begin_from_scene(store: Store, name: str, sheet: Sheet | None) -> Stored:
    """Keep a new study of a scene: landmarks, shapes and unit are the scene's, the thumbnail is
    tapped roughly, nothing is read yet."""
    return store.create(study_of_scene(store.scenes.get(name), sheet))


def study_of_scene(scene: Scene, sheet: Sheet | None) -> Study:
    """A scene's study before its first reading, on a sheet or on the one that suits it."""
    rng = np.random.default_rng(TAPPED)
    paper = sheet or _sheet_for(scene)
    return fresh_study(scene, scene.station, paper, Hand().tap_error, rng)


def _sheet_for(scene: Scene) -> Sheet:
    """An A3 sheet, upright or lying as the scene is."""
    left, top, right, bottom = box_of(scene, scene.station)
    return Sheet(420.0, 297.0) if right - left > bottom - top else Sheet(297.0, 420.0)


def import_study(store: Store, data: bytes) -> Stored:
    """Keep a new study from a study file's bytes; BadInput says what is wrong with them."""
    return store.create(read_study(data))


def copy_study(store: Store, study_id: int) -> Stored:
    """Keep another study with all that is in this one, and a history of its own."""
    study = store.get(study_id).study
    return store.create(replace(study, title=f"{study.title[:LONGEST_TITLE]}, copy"))


def export_study(store: Store, study_id: int) -> tuple[str, bytes]:
    """File name and bytes of a study file; one that can't be read is written as it is kept."""
    try:
        study = store.get(study_id).study
        return f"{slug(study.title)}.zirkel.json", write_study(study)
    except Unreadable:
        title, document = store.file_as_kept(study_id)
        return f"{slug(title)}.zirkel.json", json.dumps(document, indent=1).encode()
