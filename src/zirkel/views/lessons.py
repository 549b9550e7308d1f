"""Lessons: those there are, one as a pupil joins it, and the wall of results for who teaches."""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Collection, Mapping
from datetime import UTC, datetime
from itertools import pairwise

import numpy as np
from pydantic import BaseModel

from zirkel.core.arrays import Array
from zirkel.core.lesson.habits import drawn_near, habits, is_common, is_quiet, near
from zirkel.core.network.standing import sliding
from zirkel.core.schools import SCHOOLS
from zirkel.core.study import PictureSubject, SimulatedSubject, Study, UnitPair
from zirkel.core.subject.flat import flat_places
from zirkel.core.subject.scene import seen_landmarks, truth_in_units
from zirkel.core.words.lesson import COMMON, SHOW, say_habit, say_handed, say_stuck, say_tiers
from zirkel.core.words.task import KIND_WORDS, TRUTH_WORDS, say_asked, say_kinds
from zirkel.errors import ZirkelError
from zirkel.store.clock import now
from zirkel.store.given import given_by
from zirkel.store.lessons import Lesson, Pupil
from zirkel.store.store import Store, Stored
from zirkel.views.station import SceneCard, scene_card
from zirkel.views.subject import picture_address, seen_address
from zirkel.views.task import picture_shown


class LessonCard(BaseModel):
    """A lesson in the list."""

    id: str
    title: str
    scene: str
    made_at: datetime
    closed: bool
    pupils: int


class OwnStudy(BaseModel):
    """A study of the artist's that can be given."""

    id: int
    title: str


class LessonList(BaseModel):
    """All lessons, the latest first, and what can be given: scenes, studies of a scene or a
    picture, by which school, with which kinds of reading."""

    lessons: list[LessonCard]
    scenes: list[SceneCard]
    studies: list[OwnStudy]
    schools: list[tuple[str, str]]
    kinds: list[tuple[str, str]]


class TaskShown(BaseModel):
    """What a lesson asks, in words: what to hand in, with which readings where not all may be
    taken, when the truth is shown; until when, as minutes or a day, or as the time it is due."""

    asks: str
    hand_in: str
    text: str | None
    picture: str | None
    kinds: str | None
    truth: str
    eye_first: bool
    minutes: float | None
    till: str | None


class LessonShown(BaseModel):
    """A lesson as a pupil joins it: nothing of others who did."""

    id: str
    title: str
    closed: bool
    image: str | None
    task: TaskShown | None


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
    drawn_percent: float | None
    """How near the proportions of the drawing are, root mean square, in per cent of the height."""
    habits: list[str]
    lines: list[LessonLine]
    handed: str | None
    """When it was handed in, in words, or what is still to be done."""
    looked: bool
    """Whether the truth was looked at before it was handed in."""
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
    task: TaskShown | None
    truth: list[LessonLine]
    pupils: list[PupilShown]
    median_percent: float | None
    common: list[Shared]
    trouble: list[str]


MOST_STUDIES = 60
"""Studies of one's own that are offered to be given."""

NOWHERE: Mapping[int, str] = {}
NEVER: Mapping[int, int] = {}


def list_lessons(store: Store) -> LessonList:
    """All lessons."""
    titles = {each.name: each.title for each in store.scenes.all()} | {"": "A picture"}
    return LessonList(
        lessons=[
            LessonCard(
                id=each.id, title=each.title, scene=titles.get(each.scene, each.scene),
                made_at=each.made_at, closed=each.closed, pupils=count,
            )
            for each, count in store.lessons.all()
        ],
        scenes=[scene_card(each) for each in store.scenes.all()],
        studies=[OwnStudy(id=number, title=title) for number, title in
                 store.cards.with_a_subject(MOST_STUDIES)],
        schools=[(each.name, each.title) for each in SCHOOLS.values()],
        kinds=list(KIND_WORDS.items()),
    )  # fmt: skip


def lesson_shown(store: Store, lesson_id: str) -> LessonShown:
    """A lesson as it is joined."""
    lesson = store.lessons.get(lesson_id)
    given = given_by(store, lesson)
    return LessonShown(
        id=lesson.id, title=lesson.title, closed=lesson.closed, image=_image(given.subject),
        task=_task(given),
    )  # fmt: skip


def _image(subject: object) -> str | None:
    if isinstance(subject, SimulatedSubject):
        return seen_address(subject.scene, subject.station, subject.light)
    return picture_address(subject) if isinstance(subject, PictureSubject) else None


def _task(given: Study) -> TaskShown | None:
    task = given.task
    if task is None:
        return None
    return TaskShown(
        asks=say_asked(task), hand_in=task.hand_in, text=task.text,
        picture=picture_shown(task), kinds=say_kinds(task), truth=TRUTH_WORDS[task.truth],
        eye_first=given.eye_first, minutes=task.minutes, till=task.till,
    )  # fmt: skip


def _truth(store: Store, given: Study, subject: object) -> dict[str, Array]:
    """Where the points truly are, in units, as seen by who has that subject."""
    if not isinstance(given.unit, UnitPair):
        return {}
    if isinstance(given.subject, PictureSubject):
        return truth_in_units(flat_places(given, given.subject), given.unit)
    seen_by = subject if isinstance(subject, SimulatedSubject) else given.subject
    if not isinstance(seen_by, SimulatedSubject):
        return {}
    return truth_in_units(
        seen_landmarks(store.scenes.get(seen_by.scene), seen_by.station), given.unit
    )


def lesson_wall(
    store: Store, lesson_id: str, rooms: Mapping[int, str] = NOWHERE,
    refused: Mapping[int, int] = NEVER,
) -> LessonWall:  # fmt: skip
    """How near each came, where each is, who is stuck, and what is common; `rooms` are those in
    which somebody is, by study, and `refused` how many changes in a row were."""
    lesson = store.lessons.get(lesson_id)
    given = given_by(store, lesson)
    pupils: list[PupilShown] = []
    shared: dict[str, list[str]] = defaultdict(list)
    trouble: list[str] = []
    for each in store.lessons.pupils(lesson_id):
        try:
            stored = store.get(each.study_id)
        except ZirkelError as error:
            trouble.append(f"{each.name}: {error}")
            continue
        made, own = _pupil(each, stored, given, _truth(store, given, stored.study.subject))
        room = rooms.get(each.study_id)
        minutes = (now() - stored.changed_at).total_seconds() / 60.0
        done = made.held == made.landmarks or is_handed_in(stored.study)
        quiet = is_quiet(minutes, room is not None, done)
        made.room = room
        made.stuck = say_stuck(refused.get(each.study_id, 0), minutes if quiet else None)
        pupils.append(made)
        for habit in own:
            shared[habit].append(each.name)
    truth = _truth(store, given, given.subject)
    return _wall(lesson, given, truth, pupils, shared, trouble)


def is_handed_in(study: Study) -> bool:
    """Whether a pupil has handed in what was asked."""
    return study.task is not None and study.task.handed_at is not None


def _wall(
    lesson: Lesson, given: Study, truth: Mapping[str, Array], pupils: list[PupilShown],
    shared: dict[str, list[str]], trouble: list[str],
) -> LessonWall:  # fmt: skip
    known = sorted(each.near_percent for each in pupils if each.near_percent is not None)
    reading = sum(each.readings > 0 for each in pupils)
    common = sorted(
        (habit for habit in shared if is_common(len(shared[habit]), reading)),
        key=lambda habit: -len(shared[habit]),
    )
    return LessonWall(
        id=lesson.id, title=lesson.title, closed=lesson.closed, task=_task(given),
        truth=_lines(given, truth, truth, truth.keys()), pupils=pupils,
        median_percent=known[len(known) // 2] if known else None,
        common=[
            Shared(said=COMMON[habit], show=SHOW[habit], names=shared[habit]) for habit in common
        ],
        trouble=trouble,
    )  # fmt: skip


def _pupil(
    pupil: Pupil, stored: Stored, given: Study, truth: Mapping[str, Array]
) -> tuple[PupilShown, list[str]]:
    study, worked = stored.study, stored.worked
    adjusted = worked.solution.adjusted
    found = dict(zip(adjusted.network.ids, adjusted.places, strict=True))
    read = [each for each in study.sightings if not each.struck]
    comparable = study.unit == given.unit and bool(read)
    # What is covered counts, not how well: a rough hand's work is compared like any other.
    poorly = sliding(worked.solution, scatter=1.0)
    held = {each.id for each in study.landmarks if each.id not in poorly}
    firm = {name: at for name, at in found.items() if name in held}
    share = near(firm, truth) if comparable else None
    own = habits(read, truth) if study.unit == given.unit else ()
    drawn = drawn_near({name: np.array(at) for name, at in study.drawn.items()}, truth)
    last = study.checks[-1] if study.checks else None
    shown = PupilShown(
        name=pupil.name, study_id=pupil.study_id, readings=len(read),
        landmarks=len(study.landmarks),
        held=len(held),
        tiers=say_tiers([(each.tier, each.id in held) for each in study.landmarks]),
        near_percent=None if share is None else 100.0 * share,
        checks=len(study.checks), apart_mm=None if last is None else last.apart_mm,
        drawn_percent=None if drawn is None else 100.0 * drawn,
        habits=[say_habit(each) for each in own],
        lines=_lines(given, found, truth, held) if comparable else [],
        handed=say_handed(study.task), looked=_looked(pupil, study),
    )  # fmt: skip
    return shown, [each.habit for each in own]


def _looked(pupil: Pupil, study: Study) -> bool:
    if pupil.looked_at is None:
        return False
    task = study.task
    if task is None or task.handed_at is None:
        return True
    return pupil.looked_at < datetime.fromisoformat(task.handed_at).astimezone(UTC).replace(
        tzinfo=None
    )


FURTHEST = 0.8
"""How far from the middle a loose landmark is still drawn, in the truth's larger side."""


def _lines(
    given: Study, places: Mapping[str, Array], truth: Mapping[str, Array], held: Collection[str]
) -> list[LessonLine]:
    """The shapes with their landmarks at those places; what nothing holds apart."""
    true = np.array(list(truth.values())).reshape(-1, 2)
    if not len(true):
        return []
    middle = (true.min(axis=0) + true.max(axis=0)) / 2.0
    size = float(np.ptp(true, axis=0).max()) or 1.0

    def at(name: str) -> tuple[float, float]:
        x, y = (np.asarray(places[name]) - middle) / size
        if name not in held:
            x, y = np.clip((x, y), -FURTHEST, FURTHEST)
        return round(float(x), 4), round(float(y), 4)

    made = []
    for shape in given.shapes:
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
