"""What to lay out before a sitting, and what to take care of: data that artists can edit."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class Item:
    """One thing to lay out or to do beforehand; `stage` is what it is for, empty for all."""

    what: str
    stage: str = ""


@dataclass(frozen=True, slots=True)
class Materials:
    """A list by name; `schools` are those it belongs to, none for all."""

    name: str
    title: str
    schools: tuple[str, ...]
    items: tuple[Item, ...]
    cautions: tuple[str, ...]


def for_school(every: Iterable[Materials], school: str) -> tuple[Materials, ...]:
    """The lists that a school lays out."""
    return tuple(each for each in every if not each.schools or school in each.schools)
