"""Lessons: those there are, one as a pupil joins it, and the wall of results for who teaches."""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Collection, Mapping
from datetime import datetime
from itertools import pairwise

import numpy as np
from pydantic import BaseModel

from zirkel.core.arrays import Array
from zirkel.core.lesson import habits, is_common, is_quiet, near
from zirkel.core.subject.scene import Scene, seen_landmarks, truth_in_units
from zirkel.core.words.lesson import COMMON, SHOW, say_habit, say_stuck, say_tiers
from zirkel.errors import ZirkelError
from zirkel.store.clock import now
from zirkel.store.lessons import Lesson, Pupil
from zirkel.store.store import Store, Stored
from zirkel.views.station import SceneCard, scene_card


class LessonCard(BaseModel):
    """A lesson in the list."""

    id: str
    title: str
    scene: str
    made_at: datetime
    closed: bool
    pupils: int


class LessonList(BaseModel):
    """All lessons, the latest first, and the scenes that can be given."""

    lessons: list[LessonCard]
    scenes: list[SceneCard]


class LessonShown(BaseModel):
    """A lesson as a pupil joins it: nothing of others who did."""

    id: str
    title: str
    closed: bool
    scene: SceneCard


class Joined(BaseModel):
    """The pupil's own study."""

    study_id: int


class LessonLine(BaseModel):
    """A shape of the block-in, or a part of one, in shares of the truth's larger side from its
    middle; `loose` where nothing holds an end of it."""

    points: list[tuple[float, float]]
    closed: bool
    loose: bool = False


class PupilShown(BaseModel):
    """How far a pupil has come. `near_percent` is how far the landmarks that readings hold lie from
    the truth, root mean square, in per cent of the height; None until there is something to
    compare. `tiers` say how many of each tier are held. `apart_mm` is what the last check of the
    drawing found."""

    name: str
    study_id: int
    readings: int
    landmarks: int
    held: int
    tiers: list[str]
    near_percent: float | None
    checks: int
    apart_mm: float | None
    habits: list[str]
    lines: list[LessonLine]
    room: str | None = None
    """In which room they are now; None where they are in none."""
    stuck: str | None = None
    """Why they may need help."""


class Shared(BaseModel):
    """What several have in common, who, and what to show the class."""

    said: str
    show: str
    names: list[str]


class LessonWall(BaseModel):
    """The wall of results: the truth, each pupil's block-in, what is common. `median_percent` of
    those who can be compared."""

    id: str
    title: str
    closed: bool
    truth: list[LessonLine]
    pupils: list[PupilShown]
    median_percent: float | None
    common: list[Shared]
    trouble: list[str]


NOWHERE: Mapping[int, str] = {}
NEVER: Mapping[int, int] = {}


def list_lessons(store: Store) -> LessonList:
    """All lessons."""
    titles = {each.name: each.title for each in store.scenes.all()}
    return LessonList(
        lessons=[
            LessonCard(
                id=each.id, title=each.title, scene=titles.get(each.scene, each.scene),
                made_at=each.made_at, closed=each.closed, pupils=count,
            )
            for each, count in store.lessons.all()
        ],
        scenes=[scene_card(each) for each in store.scenes.all()],
    )  # fmt: skip


def lesson_shown(store: Store, lesson_id: str) -> LessonShown:
    """A lesson as it is joined."""
    lesson = store.lessons.get(lesson_id)
    return LessonShown(
        id=lesson.id, title=lesson.title, closed=lesson.closed,
        scene=scene_card(store.scenes.get(lesson.scene)),
    )  # fmt: skip


def lesson_wall(
    store: Store, lesson_id: str, rooms: Mapping[int, str] = NOWHERE,
    refused: Mapping[int, int] = NEVER,
) -> LessonWall:  # fmt: skip
    """How near each came, where each is, who is stuck, and what is common; `rooms` are those in
    which somebody is, by study, and `refused` how many changes in a row were."""
    lesson = store.lessons.get(lesson_id)
    scene = store.scenes.get(lesson.scene)
    pupils: list[PupilShown] = []
    shared: dict[str, list[str]] = defaultdict(list)
    trouble: list[str] = []
    for each in store.lessons.pupils(lesson_id):
        try:
            stored = store.get(each.study_id)
        except ZirkelError as error:
            trouble.append(f"{each.name}: {error}")
            continue
        made, own = _pupil(each, stored, scene)
        room = rooms.get(each.study_id)
        minutes = (now() - stored.changed_at).total_seconds() / 60.0
        quiet = is_quiet(minutes, room is not None, made.held == made.landmarks)
        made.room = room
        made.stuck = say_stuck(refused.get(each.study_id, 0), minutes if quiet else None)
        pupils.append(made)
        for habit in own:
            shared[habit].append(each.name)
    return _wall(lesson, scene, pupils, shared, trouble)


def _wall(
    lesson: Lesson, scene: Scene, pupils: list[PupilShown], shared: dict[str, list[str]],
    trouble: list[str],
) -> LessonWall:  # fmt: skip
    known = sorted(each.near_percent for each in pupils if each.near_percent is not None)
    reading = sum(each.readings > 0 for each in pupils)
    common = sorted(
        (habit for habit in shared if is_common(len(shared[habit]), reading)),
        key=lambda habit: -len(shared[habit]),
    )
    truth = truth_in_units(seen_landmarks(scene, scene.station), scene.unit)
    return LessonWall(
        id=lesson.id, title=lesson.title, closed=lesson.closed,
        truth=_lines(scene, truth, truth, truth.keys()), pupils=pupils,
        median_percent=known[len(known) // 2] if known else None,
        common=[
            Shared(said=COMMON[habit], show=SHOW[habit], names=shared[habit]) for habit in common
        ],
        trouble=trouble,
    )  # fmt: skip


def _pupil(pupil: Pupil, stored: Stored, scene: Scene) -> tuple[PupilShown, list[str]]:
    study, worked = stored.study, stored.worked
    station = getattr(study.subject, "station", scene.station)
    truth = truth_in_units(seen_landmarks(scene, station), scene.unit)
    adjusted = worked.solution.adjusted
    found = dict(zip(adjusted.network.ids, adjusted.places, strict=True))
    read = [each for each in study.sightings if not each.struck]
    comparable = study.unit == scene.unit and bool(read)
    held = {name for name, each in worked.standing.items() if each != "loose"}
    firm = {name: at for name, at in found.items() if name in held}
    share = near(firm, truth) if comparable else None
    own = habits(read, truth) if study.unit == scene.unit else ()
    last = study.checks[-1] if study.checks else None
    shown = PupilShown(
        name=pupil.name, study_id=pupil.study_id, readings=len(read),
        landmarks=len(study.landmarks),
        held=len(held),
        tiers=say_tiers([(each.tier, each.id in held) for each in study.landmarks]),
        near_percent=None if share is None else 100.0 * share,
        checks=len(study.checks), apart_mm=None if last is None else last.apart_mm,
        habits=[say_habit(each) for each in own],
        lines=_lines(scene, found, truth, held) if comparable else [],
    )  # fmt: skip
    return shown, [each.habit for each in own]


FURTHEST = 0.8
"""How far from the middle a loose landmark is still drawn, in the truth's larger side."""


def _lines(
    scene: Scene, places: Mapping[str, Array], truth: Mapping[str, Array], held: Collection[str]
) -> list[LessonLine]:
    """The scene's shapes with their landmarks at those places; what nothing holds apart."""
    true = np.array(list(truth.values()))
    middle = (true.min(axis=0) + true.max(axis=0)) / 2.0
    size = float(np.ptp(true, axis=0).max()) or 1.0

    def at(name: str) -> tuple[float, float]:
        x, y = (np.asarray(places[name]) - middle) / size
        if name not in held:
            x, y = np.clip((x, y), -FURTHEST, FURTHEST)
        return round(float(x), 4), round(float(y), 4)

    made = []
    for shape in scene.shapes:
        names = shape.outline
        if not set(names) <= places.keys():
            continue
        if set(names) <= set(held):
            made.append(LessonLine(points=[at(name) for name in names], closed=shape.closed))
            continue
        ends = [*names, names[0]] if shape.closed else list(names)
        made += [
            LessonLine(points=[at(a), at(b)], closed=False, loose=not {a, b} <= set(held))
            for a, b in pairwise(ends)
        ]
    return made
