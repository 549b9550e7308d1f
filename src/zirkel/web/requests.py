"""Schemas of what the API is asked."""

from __future__ import annotations

from pydantic import BaseModel, Field

from zirkel.actions.changes import AnyChange


class StudyPath(BaseModel):
    """A study in the address."""

    study_id: int = Field(ge=1, le=2**53)


class Based(BaseModel):
    """What every change carries: the version it was based on, and a token so that sending it
    again changes nothing."""

    version: int = Field(ge=1, le=2**53)
    token: str | None = Field(default=None, min_length=8, max_length=80)


class ChangeRequest(Based):
    """One change to a study."""

    change: AnyChange


class HistoryRequest(Based):
    """Undo or redo."""


class Removal(BaseModel):
    """Taking a study off the wall, or hanging it up again."""

    removed: bool
