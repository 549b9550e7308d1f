"""The wall of studies: listing, making, importing, exporting, taking down."""

from __future__ import annotations

from datetime import datetime

import numpy as np
from pydantic import BaseModel

from zirkel.actions.bench import Bench, bench_of
from zirkel.core.network.solve import solve
from zirkel.core.network.standing import standings
from zirkel.core.sheet.plan import make_plan
from zirkel.core.study import Sheet
from zirkel.core.subject.artist import Hand, fresh_study
from zirkel.core.subject.picture import box_of
from zirkel.core.subject.scene import Scene
from zirkel.core.values.names import slug
from zirkel.store.store import Store, Stored
from zirkel.studyfile.convert import sheet_to_core
from zirkel.studyfile.read import read_study, study_from, write_study
from zirkel.studyfile.schema import FileSheet, StudyFile

TAPPED = 4
"""Seed of the roughness with which a scene's thumbnail is tapped."""


class CardLine(BaseModel):
    """One stroke of a card's small block-in, in sheet millimetres."""

    points: list[tuple[float, float]]
    closed: bool
    sure: bool


class StudyCard(BaseModel):
    """A study as it hangs on the wall."""

    id: int
    title: str
    method: str
    demo: bool
    changed_at: datetime
    width_mm: float
    height_mm: float
    landmarks: int
    held: int
    readings: int
    doubts: int
    lines: list[CardLine]


class Wall(BaseModel):
    """All studies, last changed first."""

    studies: list[StudyCard]


def wall(store: Store) -> Wall:
    """Every study with its block-in as it stands."""
    return Wall(studies=[_card(each) for each in store.all()])


def _card(stored: Stored) -> StudyCard:
    study = stored.study
    solution = solve(study)
    plan = make_plan(study, solution)
    standing = standings(solution)
    lines = [
        CardLine(
            points=[(plan.marks[n].held_left_mm, plan.marks[n].held_top_mm) for n in each.outline],
            closed=each.closed,
            sure=all(standing[n] in ("held", "proven") for n in each.outline),
        )
        for each in study.shapes
    ]
    return StudyCard(
        id=stored.id,
        title=study.title,
        method=study.method,
        demo=stored.demo is not None,
        changed_at=stored.changed_at,
        width_mm=study.sheet.width_mm,
        height_mm=study.sheet.height_mm,
        landmarks=len(study.landmarks),
        held=sum(each != "loose" for each in standing.values()),
        readings=sum(not each.struck for each in study.sightings),
        doubts=len(solution.doubts),
        lines=lines,
    )


def make_study(store: Store, draft: StudyFile) -> Bench:
    """Keep a new study as drafted on screen."""
    return bench_of(store.create(study_from(draft.model_dump(mode="json", by_alias=True))))


def begin_from_scene(store: Store, name: str, sheet: FileSheet | None) -> Bench:
    """Keep a new study of a scene: landmarks, shapes and unit are the scene's, the thumbnail is
    tapped roughly, nothing is read yet."""
    scene = store.scenes.get(name)
    paper = sheet_to_core(sheet) if sheet else _sheet_for(scene)
    rng = np.random.default_rng(TAPPED)
    return bench_of(store.create(fresh_study(scene, scene.station, paper, Hand().tap_error, rng)))


def _sheet_for(scene: Scene) -> Sheet:
    """An A3 sheet, upright or lying as the scene is."""
    left, top, right, bottom = box_of(scene, scene.station)
    return Sheet(420.0, 297.0) if right - left > bottom - top else Sheet(297.0, 420.0)


def import_study(store: Store, data: bytes) -> Bench:
    """Keep a new study from a study file's bytes; BadInput says what is wrong with them."""
    return bench_of(store.create(read_study(data)))


def export_study(store: Store, study_id: int) -> tuple[str, bytes]:
    """File name and bytes of a study file."""
    study = store.get(study_id).study
    return f"{slug(study.title)}.zirkel.json", write_study(study)
