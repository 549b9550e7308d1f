"""The tables, as typed mappings."""

from __future__ import annotations

from datetime import datetime
from typing import Any

from sqlalchemy import JSON, ForeignKey, Index, MetaData, String
from sqlalchemy.orm import DeclarativeBase, Mapped, mapped_column

NAMING = {
    "ix": "ix_%(column_0_label)s",
    "uq": "uq_%(table_name)s_%(column_0_name)s",
    "ck": "ck_%(table_name)s_%(constraint_name)s",
    "fk": "fk_%(table_name)s_%(column_0_name)s_%(referred_table_name)s",
    "pk": "pk_%(table_name)s",
}


class Base(DeclarativeBase):
    """All tables of the store."""

    metadata = MetaData(naming_convention=NAMING)


class StudyRow(Base):
    """One study: everything that is not a record of its own is in `body`, as in the file."""

    __tablename__ = "study"

    id: Mapped[int] = mapped_column(primary_key=True)
    title: Mapped[str] = mapped_column(String(200))
    body: Mapped[dict[str, Any]] = mapped_column(JSON)
    version: Mapped[int] = mapped_column(default=1)
    demo: Mapped[str | None] = mapped_column(String(80), unique=True)
    """Name of the demonstration it was laid out from, if any."""
    created_at: Mapped[datetime]
    changed_at: Mapped[datetime]
    deleted_at: Mapped[datetime | None]


class RecordRow(Base):
    """One record of any of a study's collections, as the file has it."""

    __tablename__ = "record"

    study_id: Mapped[int] = mapped_column(
        ForeignKey("study.id", ondelete="CASCADE"), primary_key=True
    )
    collection: Mapped[str] = mapped_column(String(40), primary_key=True)
    key: Mapped[str] = mapped_column(String(200), primary_key=True)
    position: Mapped[int]
    body: Mapped[Any] = mapped_column(JSON)


class ChangeRow(Base):
    """One change to a study: what it was called, and each record before and after."""

    __tablename__ = "change"

    study_id: Mapped[int] = mapped_column(
        ForeignKey("study.id", ondelete="CASCADE"), primary_key=True
    )
    number: Mapped[int] = mapped_column(primary_key=True)
    at: Mapped[datetime]
    label: Mapped[str] = mapped_column(String(300))
    patches: Mapped[list[dict[str, Any]]] = mapped_column(JSON)
    undone: Mapped[bool] = mapped_column(default=False)


class ReceiptRow(Base):
    """That a change asked for under this token has been made: asking again changes nothing."""

    __tablename__ = "receipt"

    study_id: Mapped[int] = mapped_column(
        ForeignKey("study.id", ondelete="CASCADE"), primary_key=True
    )
    token: Mapped[str] = mapped_column(String(80), primary_key=True)
    of: Mapped[str | None] = mapped_column(String(64))
    """What was asked for, as a hash; not known of those from earlier versions."""


class CardRow(Base):
    """What hangs on the wall of a study in one version, and which Zirkel worked it out: nothing
    that can't be worked out again."""

    __tablename__ = "card"

    study_id: Mapped[int] = mapped_column(
        ForeignKey("study.id", ondelete="CASCADE"), primary_key=True
    )
    version: Mapped[int]
    made_by: Mapped[str] = mapped_column(String(40))
    body: Mapped[dict[str, Any]] = mapped_column(JSON)


class SceneRow(Base):
    """A scene that a user added, as the bytes of its file."""

    __tablename__ = "scene"

    name: Mapped[str] = mapped_column(String(80), primary_key=True)
    title: Mapped[str] = mapped_column(String(200))
    file: Mapped[bytes]
    added_at: Mapped[datetime]


class PictureRow(Base):
    """A picture kept as a file in the data folder, named by what is in it."""

    __tablename__ = "picture"

    id: Mapped[str] = mapped_column(String(64), primary_key=True)
    file: Mapped[str] = mapped_column(String(80))
    width: Mapped[int]
    height: Mapped[int]
    added_at: Mapped[datetime]


class ArtistRow(Base):
    """A name under which trials are kept."""

    __tablename__ = "artist"

    id: Mapped[str] = mapped_column(String(80), primary_key=True)
    name: Mapped[str] = mapped_column(String(80))
    added_at: Mapped[datetime]


class TrialRow(Base):
    """One trial of an eye, kept whole: `extra` holds what was shown, and all else of its file."""

    __tablename__ = "trial"
    __table_args__ = (
        Index("ix_trial_artist_id", "artist_id", "at"),
        Index("ix_trial_token", "token"),
    )

    id: Mapped[int] = mapped_column(primary_key=True)
    artist_id: Mapped[str] = mapped_column(String(80))
    """Who nobody has named yet has trials without a row among the artists."""
    token: Mapped[str | None] = mapped_column(String(80))
    """Under which its answer was sent: sending it again adds nothing."""
    exercise: Mapped[str] = mapped_column(String(200))
    measure: Mapped[str] = mapped_column(String(20))
    at: Mapped[datetime]
    truth: Mapped[float]
    answer: Mapped[float]
    seconds: Mapped[float | None]
    choice: Mapped[bool]
    extra: Mapped[dict[str, Any]] = mapped_column(JSON)


class SecretRow(Base):
    """Something that only this Zirkel knows, made when it was first needed."""

    __tablename__ = "secret"

    name: Mapped[str] = mapped_column(String(40), primary_key=True)
    value: Mapped[str] = mapped_column(String(200))


class DeviceRow(Base):
    """A device that was let in: `key` is the hash of what its cookie holds."""

    __tablename__ = "device"

    id: Mapped[str] = mapped_column(String(32), primary_key=True)
    key: Mapped[str] = mapped_column(String(64))
    name: Mapped[str] = mapped_column(String(80))
    added_at: Mapped[datetime]
    seen_at: Mapped[datetime]
    lesson: Mapped[str | None] = mapped_column(String(16))
    """The lesson whose pupil comes with it; None for who may do everything."""


class LessonRow(Base):
    """The same scene given to all of a class."""

    __tablename__ = "lesson"

    id: Mapped[str] = mapped_column(String(16), primary_key=True)
    title: Mapped[str] = mapped_column(String(200))
    scene: Mapped[str] = mapped_column(String(80))
    made_at: Mapped[datetime]
    closed: Mapped[bool] = mapped_column(default=False)
    given: Mapped[dict[str, Any] | None] = mapped_column(JSON)
    """The study that each pupil begins with, as its file; None for the scene's own (lessons from
    before there were tasks)."""


class PupilRow(Base):
    """A pupil's study in a lesson."""

    __tablename__ = "pupil"

    study_id: Mapped[int] = mapped_column(
        ForeignKey("study.id", ondelete="CASCADE"), primary_key=True
    )
    lesson_id: Mapped[str] = mapped_column(ForeignKey("lesson.id", ondelete="CASCADE"), index=True)
    name: Mapped[str] = mapped_column(String(80))
    device: Mapped[str | None] = mapped_column(String(32))
    """The device it was made with, where that was let in for the lesson alone."""
    looked_at: Mapped[datetime | None]
    """When the truth was first looked at."""
