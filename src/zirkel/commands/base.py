"""A change to a study: what it makes of the study, and what it is called in the history."""

from __future__ import annotations

from abc import ABC, abstractmethod
from collections.abc import Iterable

from pydantic import BaseModel, ConfigDict

from zirkel.core.study import Study
from zirkel.errors import BadInput
from zirkel.store.store import Stored


class Change(BaseModel, ABC):
    """One thing a user does to a study. Subclasses carry a literal `type`."""

    model_config = ConfigDict(extra="forbid", populate_by_name=True)

    def before(self, stored: Stored) -> Change:
        """The change with what it needs to know of the study as stored, beside the study itself."""
        return self

    @abstractmethod
    def made(self, study: Study) -> Study:
        """The study after the change; BadInput if it cannot be made."""

    @abstractmethod
    def label(self, before: Study, after: Study) -> str:
        """What undo will call it."""


def free_id(stem: str, taken: Iterable[str]) -> str:
    """The stem if it is free, else the stem with the first number that makes it so."""
    used = set(taken)
    if stem not in used:
        return stem
    number = 2
    while f"{stem}_{number}" in used:
        number += 1
    return f"{stem}_{number}"


def expect(found: bool, field: str, what: str, name: str) -> None:
    """BadInput unless the record that a change names is there."""
    if not found:
        raise BadInput(field, f"there is no {what} “{name}” any more: it may have been removed")
