"""The pad: what can be read, and what each reading asks for."""

from __future__ import annotations

from pydantic import BaseModel, ConfigDict

from zirkel.core.words.pad import PAD

FIRST_SHOWN = 7
"""Entries that the pad shows before it is asked for more."""


class _FromCore(BaseModel):
    model_config = ConfigDict(from_attributes=True)


class PadStroke(_FromCore):
    """A part of a sign: a path on a field of 28 by 28; `look` is line, thin, dashed or filled."""

    path: str
    look: str


class PadKind(_FromCore):
    """One entry of the pad, as the core declares it."""

    key: str
    letter: str
    label: str
    how: str
    kind: str
    slots: list[tuple[str, str]]
    sign: list[PadStroke]
    sort: str
    value: str
    sides: tuple[str, str] | None
    axis: int | None
    side: str
    fixed: dict[str, str] | None
    in_takes: bool
    measured: bool
    none: str | None
    held: str


class PadKinds(BaseModel):
    """All entries, those that are read most first; `first` of them are shown at once."""

    kinds: list[PadKind]
    first: int


def pad_kinds() -> PadKinds:
    """What can be read with the pad."""
    return PadKinds(kinds=[PadKind.model_validate(each) for each in PAD], first=FIRST_SHOWN)
