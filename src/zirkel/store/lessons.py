"""Lessons: the same scene given to all of a class, and whose study is whose."""

from __future__ import annotations

import secrets
from collections.abc import Iterable
from dataclasses import dataclass
from datetime import datetime
from typing import Any

from sqlalchemy import Engine, func, select
from sqlalchemy.orm import Session

from zirkel.errors import BadInput, NotFound
from zirkel.store.clock import now
from zirkel.store.tables import LessonRow, PupilRow, StudyRow

MOST_LESSONS, MOST_PUPILS = 500, 100


@dataclass(frozen=True, slots=True)
class Lesson:
    """A lesson: which scene (empty where a picture is drawn), since when, whether nobody joins it
    any more; `given` is the study file that each pupil begins with, None for the scene's own."""

    id: str
    title: str
    scene: str
    made_at: datetime
    closed: bool
    given: dict[str, Any] | None = None


@dataclass(frozen=True, slots=True)
class Pupil:
    """Whose study it is."""

    study_id: int
    name: str
    device: str | None = None
    looked_at: datetime | None = None
    """When the truth was first looked at."""


class Lessons:
    """Lessons and pupils in the database."""

    def __init__(self, engine: Engine) -> None:
        self._engine = engine

    def _session(self, writes: bool) -> Session:
        return Session(self._engine.execution_options(writes=writes))

    def all(self) -> list[tuple[Lesson, int]]:
        """Every lesson with how many pupils joined it, the latest first."""
        with self._session(writes=False) as session, session.begin():
            count = func.count(PupilRow.study_id)
            rows = session.execute(
                select(LessonRow, count)
                .join(PupilRow, PupilRow.lesson_id == LessonRow.id, isouter=True)
                .group_by(LessonRow.id)
                .order_by(LessonRow.made_at.desc(), LessonRow.id)
            )
            return [(_lesson(row), number) for row, number in rows.all()]

    def get(self, lesson: str) -> Lesson:
        """One lesson; NotFound if there is none."""
        with self._session(writes=False) as session, session.begin():
            return _lesson(_row(session, lesson))

    def make(self, title: str, scene: str, given: dict[str, Any] | None = None) -> Lesson:
        """Give a scene to a class, or what is `given`."""
        with self._session(writes=True) as session, session.begin():
            _room_for_another(session)
            row = LessonRow(
                id=secrets.token_hex(4), title=title, scene=scene, made_at=now(), closed=False,
                given=given,
            )  # fmt: skip
            session.add(row)
            return _lesson(row)

    def take_in(self, lesson: Lesson, pupils: Iterable[Pupil]) -> bool:
        """Keep a lesson that comes from elsewhere under its own id, with those pupils whose study
        is in no lesson yet; whether anything of it was new."""
        with self._session(writes=True) as session, session.begin():
            new = session.get(LessonRow, lesson.id) is None
            if new:
                _room_for_another(session)
                session.add(
                    LessonRow(
                        id=lesson.id, title=lesson.title, scene=lesson.scene,
                        made_at=lesson.made_at, closed=lesson.closed, given=lesson.given,
                    )
                )  # fmt: skip
                session.flush()
            for each in pupils:
                if session.get(PupilRow, each.study_id) is None:
                    session.add(
                        PupilRow(
                            study_id=each.study_id, lesson_id=lesson.id, name=each.name,
                            looked_at=each.looked_at,
                        )
                    )  # fmt: skip
                    new = True
            return new

    def studies(self) -> frozenset[int]:
        """Studies that are some pupil's."""
        with self._session(writes=False) as session, session.begin():
            return frozenset(session.scalars(select(PupilRow.study_id)))

    def close(self, lesson: str, closed: bool) -> Lesson:
        """Let nobody join any more, or again."""
        with self._session(writes=True) as session, session.begin():
            row = _row(session, lesson)
            row.closed = closed
            return _lesson(row)

    def pupils(self, lesson: str) -> list[Pupil]:
        """Who joined, by name, but for those whose study was taken down."""
        with self._session(writes=False) as session, session.begin():
            rows = session.scalars(
                select(PupilRow)
                .join(StudyRow, StudyRow.id == PupilRow.study_id)
                .where(PupilRow.lesson_id == lesson, StudyRow.deleted_at.is_(None))
                .order_by(func.lower(PupilRow.name), PupilRow.study_id)
            )
            return [Pupil(row.study_id, row.name, row.device, row.looked_at) for row in rows]

    def looked(self, study_id: int) -> None:
        """That the truth of a study was looked at, where it is a pupil's; the first time counts."""
        with self._session(writes=True) as session, session.begin():
            row = session.get(PupilRow, study_id)
            if row is not None and row.looked_at is None:
                row.looked_at = now()

    def belongs(self, study_id: int, device: str) -> bool:
        """Whether a study is a pupil's who came with that device."""
        with self._session(writes=False) as session, session.begin():
            row = session.get(PupilRow, study_id)
            return row is not None and row.device == device

    def join(self, lesson: str, name: str, study_id: int, device: str | None = None) -> None:
        """Enter a pupil's study, and the device that it belongs to, if to one alone."""
        with self._session(writes=True) as session, session.begin():
            _row(session, lesson)
            session.add(PupilRow(study_id=study_id, lesson_id=lesson, name=name, device=device))


def _room_for_another(session: Session) -> None:
    held = session.scalar(select(func.count()).select_from(LessonRow)) or 0
    if held >= MOST_LESSONS:
        raise BadInput("title", f"{MOST_LESSONS} lessons are kept at most")


def _row(session: Session, lesson: str) -> LessonRow:
    row = session.get(LessonRow, lesson)
    if row is None:
        raise NotFound("There is no such lesson here: ask for its link again.")
    return row


def _lesson(row: LessonRow) -> Lesson:
    return Lesson(row.id, row.title, row.scene, row.made_at, row.closed, row.given)
