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
    """A list by name; `schools`, `about`, `media` and `grounds` are what it belongs to, none for
    all."""

    name: str
    title: str
    schools: tuple[str, ...]
    items: tuple[Item, ...]
    cautions: tuple[str, ...]
    about: tuple[str, ...] = ()
    media: tuple[str, ...] = ()
    grounds: tuple[str, ...] = ()


def fitting(
    every: Iterable[Materials],
    school: str,
    about: str | None = None,
    medium: str | None = None,
    ground: str | None = None,
) -> tuple[Materials, ...]:
    """The lists that are laid out for a school, what is drawn, in which medium, on which ground."""
    return tuple(
        each
        for each in every
        if all(
            not only or is_so in only
            for only, is_so in (
                (each.schools, school),
                (each.about, about),
                (each.media, medium),
                (each.grounds, ground),
            )
        )
    )
