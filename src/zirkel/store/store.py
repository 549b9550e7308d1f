"""The store: studies in and out, every change in one transaction, undo and redo by record."""

from __future__ import annotations

from collections.abc import Callable, Iterable
from dataclasses import asdict, dataclass, replace
from datetime import datetime
from pathlib import Path
from threading import Lock
from typing import Any

from cachetools import LRUCache
from pydantic import ValidationError
from sqlalchemy import Engine, delete, func, select
from sqlalchemy.orm import Session

from zirkel.core.study import SimulatedSubject, Study
from zirkel.core.subject.scene import Scene
from zirkel.core.worked import Worked
from zirkel.errors import BadInput, NotFound, StaleVersion, Unreadable
from zirkel.store.cards import Cards
from zirkel.store.clock import now
from zirkel.store.database import open_database
from zirkel.store.devices import Devices
from zirkel.store.lessons import Lessons
from zirkel.store.patches import Patch, apply, changed, difference, joined
from zirkel.store.pictures import Pictures
from zirkel.store.practice import Practice
from zirkel.store.receipts import Receipt, is_known, keep
from zirkel.store.scenes import Scenes
from zirkel.store.tables import (
    ChangeRow,
    RecordRow,
    StudyRow,
)
from zirkel.studyfile.problems import said_plainly
from zirkel.studyfile.read import prove
from zirkel.studyfile.references import check_references
from zirkel.studyfile.schema import FORMAT, VERSION, StudyFile, study_to_core

KEPT_WORKED = 250_000_000
"""Bytes that the studies worked out last may take together, as far as they can be estimated."""

MATRICES, LEAST_KEPT = 6, 200_000
"""Square matrices of all coordinates that a worked study keeps, and bytes of a small one."""


@dataclass(frozen=True, slots=True)
class Stored:
    """A study as stored; the labels say what undo would take back and redo bring again."""

    id: int
    version: int
    worked: Worked
    """The study with all that follows from it: worked out once, and shared by all who ask."""
    changed_at: datetime
    undo: str | None
    redo: str | None
    demo: str | None
    scene: Scene | None
    """The scene that stands in for the subject, if there is one and it is here."""

    @property
    def study(self) -> Study:
        """The study itself."""
        return self.worked.study


@dataclass(frozen=True, slots=True)
class Broken:
    """A study that is kept but can't be read, and the way back in its history."""

    id: int
    version: int
    title: str
    why: str
    changed_at: datetime
    undo: str | None
    redo: str | None


@dataclass(frozen=True, slots=True)
class TakenDown:
    """A study that was taken off the wall; nothing of it is lost."""

    id: int
    title: str
    at: datetime


def _kept_bytes(worked: Worked) -> int:
    coordinates = 2 * len(worked.study.landmarks)
    return LEAST_KEPT + 8 * MATRICES * coordinates**2


class Store:
    """Studies in one SQLite file, with scenes and pictures to stand in for their subjects."""

    def __init__(self, engine: Engine, folder: Path) -> None:
        self._engine = engine
        self.name, self.folder = str(folder), folder
        self.scenes = Scenes(engine, folder / "drawings")
        self.pictures = Pictures(engine, folder / "pictures")
        self.practice = Practice(engine)
        self.cards = Cards(engine)
        self.devices = Devices(engine)
        self.lessons = Lessons(engine)
        self.heard: list[Callable[[int, int], None]] = []
        """Who is told, after it is kept, that a study has come to a version."""
        self._worked: LRUCache[tuple[int, int], Worked] = LRUCache(KEPT_WORKED, _kept_bytes)
        """Studies by id and version, least recently used first to go: a version never changes once
        it is written."""
        self._lock = Lock()

    @classmethod
    def at(cls, path: Path) -> Store:
        """The store in a file, made and migrated as needed."""
        return cls(open_database(path), path.parent)

    def close(self) -> None:
        """Let go of the file."""
        self._engine.dispose()

    def _session(self, writes: bool) -> Session:
        return Session(self._engine.execution_options(writes=writes), expire_on_commit=False)

    def all(self, having: str | None = None) -> list[Stored | Broken]:
        """Every study that is not deleted, last changed first; one that can't be read doesn't hide
        the others. `having` leaves out those without records of that collection, unread."""
        asked = select(StudyRow).where(StudyRow.deleted_at.is_(None))
        if having is not None:
            held = select(RecordRow.study_id).where(RecordRow.collection == having)
            asked = asked.where(StudyRow.id.in_(held))
        with self._session(writes=False) as session, session.begin():
            rows = session.scalars(asked.order_by(StudyRow.changed_at.desc(), StudyRow.id.desc()))
            found = [self._stored_or_broken(session, row) for row in rows.all()]
        return [self._remember(each) if isinstance(each, Stored) else each for each in found]

    def get_or_broken(self, study_id: int) -> Stored | Broken:
        """One study, whether it can be read or not; NotFound if there is none."""
        with self._session(writes=False) as session, session.begin():
            found = self._stored_or_broken(session, _row(session, study_id))
        return self._remember(found) if isinstance(found, Stored) else found

    def taken_down(self) -> list[TakenDown]:
        """Studies that were taken off the wall, last taken first."""
        with self._session(writes=False) as session, session.begin():
            rows = session.scalars(
                select(StudyRow)
                .where(StudyRow.deleted_at.is_not(None))
                .order_by(StudyRow.deleted_at.desc(), StudyRow.id.desc())
            )
            return [TakenDown(row.id, row.title, row.deleted_at) for row in rows if row.deleted_at]

    def get(self, study_id: int) -> Stored:
        """One study; NotFound if there is none."""
        with self._session(writes=False) as session, session.begin():
            found = self._stored(session, _row(session, study_id))
        return self._remember(found)

    def file_as_kept(self, study_id: int) -> tuple[str, dict[str, Any]]:
        """Title and file of a study just as its rows have them, whether they can be read or not."""
        with self._session(writes=False) as session, session.begin():
            row = _row(session, study_id)
            document = joined(row.body, _records(session, row))
            return row.title, {"format": FORMAT, "version": VERSION, **document}

    def shelf(self) -> list[tuple[int, dict[str, Any], bool]]:
        """Every study's number, its file as its rows have it, whether it is down; oldest first."""
        with self._session(writes=False) as session, session.begin():
            rows = session.scalars(select(StudyRow).order_by(StudyRow.changed_at, StudyRow.id))
            return [
                (
                    row.id,
                    {"format": FORMAT, "version": VERSION,
                     **joined(row.body, _records(session, row))},
                    row.deleted_at is not None,
                )
                for row in rows.all()
            ]  # fmt: skip

    def version(self, study_id: int) -> int:
        """The study's newest version; NotFound if there is none."""
        with self._session(writes=False) as session, session.begin():
            return _row(session, study_id).version

    def create(self, study: Study, demo: str | None = None) -> Stored:
        """Keep a new study; BadInput if it could not be read again."""
        prove(study)
        with self._session(writes=True) as session, session.begin():
            row = StudyRow(
                title=study.title,
                body={},
                version=1,
                demo=demo,
                created_at=now(),
                changed_at=now(),
            )
            session.add(row)
            session.flush()
            apply(session, row, difference(None, study))
            made = self._stored(session, row, self._alike(study) or Worked(study))
        return self._remember(made)

    def _alike(self, study: Study) -> Worked | None:
        """The same study worked out already: a class begins with thirty copies of one."""
        with self._lock:
            return next((each for each in self._worked.values() if each.study == study), None)

    def has_demo(self, demo: str) -> bool:
        """Whether a demonstration was ever laid out here, even if it was deleted since."""
        with self._session(writes=False) as session, session.begin():
            return session.scalar(select(StudyRow.id).where(StudyRow.demo == demo)) is not None

    def has_receipt(self, study_id: int, receipt: Receipt | None) -> bool:
        """Whether this change was made already; TokenReused if its token was given to another."""
        with self._session(writes=False) as session, session.begin():
            return is_known(session, study_id, receipt)

    def change(
        self,
        study_id: int,
        based_on: int,
        label: str,
        after: Study | Worked,
        receipt: Receipt | None = None,
        before: Study | None = None,
    ) -> Stored:
        """Replace a study's state by another, as one change that can be undone.

        StaleVersion unless it was based on the version now stored. A receipt that is here already
        makes no second change. `before` saves reading the version it was based on again.
        """
        with self._session(writes=True) as session, session.begin():
            row = _row(session, study_id)
            if is_known(session, study_id, receipt):
                return self._stored(session, row)
            _expect(row, based_on)
            keep(session, study_id, receipt)
            worked = after if isinstance(after, Worked) else Worked(after)
            before = before or self._stored(session, row).study
            prove(worked.study, changed(worked.study, before)[0])
            patches = difference(before, worked.study)
            if patches:
                apply(session, row, patches)
                _log(session, row, label, patches)
                _touch(row)
            made = self._stored(session, row, worked)
        return self._told(self._remember(made))

    def undo(self, study_id: int, based_on: int, token: str | None = None) -> Stored:
        """Take back the last change that stands; nothing happens if there is none."""
        return self._walk(study_id, based_on, Receipt.for_change(token, "undo"), back=True)

    def redo(self, study_id: int, based_on: int, token: str | None = None) -> Stored:
        """Bring again the change undone last; nothing happens if there is none."""
        return self._walk(study_id, based_on, Receipt.for_change(token, "redo"), back=False)

    def _walk(self, study_id: int, based_on: int, receipt: Receipt | None, back: bool) -> Stored:
        with self._session(writes=True) as session, session.begin():
            row = _row(session, study_id)
            if is_known(session, study_id, receipt):
                return self._stored(session, row)
            _expect(row, based_on)
            keep(session, study_id, receipt)
            change = _last_standing(session, study_id) if back else _first_undone(session, study_id)
            if change is None:
                return self._stored(session, row)
            before = self._stored_or_broken(session, row)
            patches = [Patch(**each) for each in change.patches]
            apply(session, row, [p.reversed() for p in patches] if back else patches)
            change.undone = back
            _touch(row)
            study = _study(session, row)
            followed = before.worked.followed_by(study) if isinstance(before, Stored) else None
            made = self._stored(session, row, followed or Worked(study))
        return self._told(self._remember(made))

    def delete(self, study_id: int, deleted: bool = True) -> None:
        """Take a study off the wall, or bring it back; nothing of it is lost."""
        with self._session(writes=True) as session, session.begin():
            row = session.get(StudyRow, study_id)
            if row is None:
                raise NotFound(f"There is no study number {study_id}.")
            row.deleted_at = now() if deleted else None

    def _told(self, stored: Stored) -> Stored:
        """The study as it was kept, once all who listen know of it."""
        for told in self.heard:
            told(stored.id, stored.version)
        return stored

    def _remember(self, stored: Stored) -> Stored:
        """Keep what was read or written for the next reading; only once it is committed. What is
        too large to be kept beside others is worked out again."""
        if _kept_bytes(stored.worked) > KEPT_WORKED:
            return stored
        with self._lock:
            known = self._worked.setdefault((stored.id, stored.version), stored.worked)
        return stored if known is stored.worked else replace(stored, worked=known)

    def _known(self, study_id: int, version: int) -> Worked | None:
        with self._lock:
            return self._worked.get((study_id, version))

    def _stored(self, session: Session, row: StudyRow, worked: Worked | None = None) -> Stored:
        session.flush()
        worked = worked or self._known(row.id, row.version) or Worked(_study(session, row))
        undo, redo = _last_standing(session, row.id), _first_undone(session, row.id)
        return Stored(
            id=row.id,
            version=row.version,
            worked=worked,
            changed_at=row.changed_at,
            undo=undo.label if undo else None,
            redo=redo.label if redo else None,
            demo=row.demo,
            scene=self._scene(worked.study),
        )

    def _stored_or_broken(self, session: Session, row: StudyRow) -> Stored | Broken:
        try:
            return self._stored(session, row)
        except Unreadable as error:
            undo, redo = _last_standing(session, row.id), _first_undone(session, row.id)
            return Broken(
                id=row.id,
                version=row.version,
                title=row.title,
                why=error.why,
                changed_at=row.changed_at,
                undo=undo.label if undo else None,
                redo=redo.label if redo else None,
            )

    def _scene(self, study: Study) -> Scene | None:
        if isinstance(study.subject, SimulatedSubject):
            return self.scenes.find(study.subject.scene, study.subject.light)
        return None


def _row(session: Session, study_id: int) -> StudyRow:
    row = session.get(StudyRow, study_id)
    if row is None or row.deleted_at is not None:
        raise NotFound(f"There is no study number {study_id} on the wall.")
    return row


def _expect(row: StudyRow, based_on: int) -> None:
    if row.version != based_on:
        raise StaleVersion(based_on, row.version)


def _touch(row: StudyRow) -> None:
    row.version += 1
    row.changed_at = now()


def _log(session: Session, row: StudyRow, label: str, patches: list[Patch]) -> None:
    session.execute(delete(ChangeRow).where(ChangeRow.study_id == row.id, ChangeRow.undone))
    last = session.scalar(select(func.max(ChangeRow.number)).where(ChangeRow.study_id == row.id))
    session.add(
        ChangeRow(
            study_id=row.id,
            number=(last or 0) + 1,
            at=now(),
            label=label[:300],
            patches=[asdict(each) for each in patches],
            undone=False,
        )
    )


def _last_standing(session: Session, study_id: int) -> ChangeRow | None:
    return session.scalar(
        select(ChangeRow)
        .where(ChangeRow.study_id == study_id, ChangeRow.undone.is_(False))
        .order_by(ChangeRow.number.desc())
        .limit(1)
    )


def _first_undone(session: Session, study_id: int) -> ChangeRow | None:
    return session.scalar(
        select(ChangeRow)
        .where(ChangeRow.study_id == study_id, ChangeRow.undone.is_(True))
        .order_by(ChangeRow.number)
        .limit(1)
    )


def _records(session: Session, row: StudyRow) -> Iterable[RecordRow]:
    return session.scalars(
        select(RecordRow)
        .where(RecordRow.study_id == row.id)
        .order_by(RecordRow.collection, RecordRow.position, RecordRow.key)
    )


def _study(session: Session, row: StudyRow) -> Study:
    """The study of a row; Unreadable says why if there is none in it."""
    document = joined(row.body, _records(session, row))
    try:
        study = study_to_core(StudyFile.model_validate(document))
        check_references(study)
    except ValidationError as error:
        raise Unreadable(row.title, str(said_plainly(error, document))) from error
    except BadInput as error:
        raise Unreadable(row.title, str(error)) from error
    return study
