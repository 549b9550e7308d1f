"""The wall's cards: kept by study and version, so that the wall opens at once whatever it holds."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime
from typing import Any

from sqlalchemy import Engine, func, select
from sqlalchemy.orm import Session

from zirkel.errors import CannotKeep
from zirkel.store.tables import CardRow, PupilRow, RecordRow, StudyRow


@dataclass(frozen=True, slots=True)
class Listed:
    """A study on the wall, with its card if one was kept of this version by this Zirkel."""

    id: int
    version: int
    title: str
    demo: bool
    changed_at: datetime
    card: dict[str, Any] | None


class Cards:
    """Cards in the database. Losing them loses nothing."""

    def __init__(self, engine: Engine) -> None:
        self._engine = engine

    def listed(self, made_by: str) -> list[Listed]:
        """Every study on the wall, last changed first, in one question."""
        with Session(self._engine.execution_options(writes=False)) as session, session.begin():
            rows = session.execute(
                select(
                    StudyRow.id, StudyRow.version, StudyRow.title, StudyRow.demo,
                    StudyRow.changed_at, CardRow.version, CardRow.made_by, CardRow.body,
                )
                .join(CardRow, CardRow.study_id == StudyRow.id, isouter=True)
                .where(StudyRow.deleted_at.is_(None))
                .order_by(StudyRow.changed_at.desc(), StudyRow.id.desc())
            )  # fmt: skip
            return [
                Listed(
                    number, version, title, demo is not None, changed,
                    body if (of, by) == (version, made_by) else None,
                )
                for number, version, title, demo, changed, of, by, body in rows.all()
            ]  # fmt: skip

    def with_a_subject(self, most: int) -> list[tuple[int, str]]:
        """Number and title of the studies of a scene or a picture, last changed first; no
        pupil's."""
        with Session(self._engine.execution_options(writes=False)) as session, session.begin():
            theirs = select(PupilRow.study_id)
            rows = session.execute(
                select(StudyRow.id, StudyRow.title)
                .where(
                    StudyRow.deleted_at.is_(None),
                    func.json_type(StudyRow.body, "$.subject") == "object",
                    StudyRow.id.not_in(theirs),
                )
                .order_by(StudyRow.changed_at.desc(), StudyRow.id.desc())
                .limit(most)
            )
            return [(number, title) for number, title in rows.all()]

    def holding(self, collection: str, most: int) -> list[int]:
        """The artist's own studies that hold any record of a collection (`checks`: their drawing
        was checked), last changed first: no demonstration and no pupil's."""
        with Session(self._engine.execution_options(writes=False)) as session, session.begin():
            some = select(RecordRow.study_id).where(RecordRow.collection == collection)
            asked = (
                select(StudyRow.id)
                .where(StudyRow.deleted_at.is_(None), StudyRow.demo.is_(None))
                .where(StudyRow.id.in_(some), StudyRow.id.not_in(select(PupilRow.study_id)))
                .order_by(StudyRow.changed_at.desc(), StudyRow.id.desc())
                .limit(most)
            )
            return list(session.scalars(asked))

    def of_set(self, name: str) -> list[int]:
        """The studies on the wall that are poses of one set, in their order."""
        with Session(self._engine.execution_options(writes=False)) as session, session.begin():
            asked = (
                select(StudyRow.id)
                .join(RecordRow, RecordRow.study_id == StudyRow.id)
                .where(StudyRow.deleted_at.is_(None), RecordRow.collection == "sittings")
                .where(RecordRow.body["of_set"].as_string() == name)
                .order_by(RecordRow.body["pose"].as_integer())
                .distinct()
            )
            return list(session.scalars(asked))

    def keep(self, study_id: int, version: int, made_by: str, body: dict[str, Any]) -> None:
        """Keep a card; where that can't be written, it is made again next time."""
        try:
            with Session(self._engine.execution_options(writes=True)) as session, session.begin():
                if session.get(StudyRow, study_id) is not None:
                    session.merge(
                        CardRow(study_id=study_id, version=version, made_by=made_by, body=body)
                    )
        except CannotKeep:
            return
