"""What a school of sighting is: what it allows, how it is set up, what is checked, what goes
wrong, and its own arithmetic as a table."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from typing import Protocol

from zirkel.core.network.relations import Found
from zirkel.core.sheet.arithmetic.grid import Grid
from zirkel.core.sheet.plan import Plan
from zirkel.core.study import Study
from zirkel.core.words.base import Words


@dataclass(frozen=True, slots=True)
class Hint:
    """One thing to do or to look out for, with the sign that it is drawn by."""

    sign: str
    text: str


@dataclass(frozen=True, slots=True)
class Table:
    """A school's own arithmetic as a table, with lines to draw on the sheet where it has some,
    in mm from the left and from the top."""

    title: str
    head: tuple[str, ...]
    rows: tuple[tuple[str, ...], ...]
    across_mm: tuple[float, ...] = ()
    down_mm: tuple[float, ...] = ()


class Reckoned(Protocol):
    """What a school reckons its table from: a study, with as much of what follows from it."""

    @property
    def study(self) -> Study: ...
    @property
    def school(self) -> School: ...
    @property
    def words(self) -> Words: ...
    @property
    def plan(self) -> Plan: ...
    @property
    def positions(self) -> dict[str, tuple[float, float]]: ...
    @property
    def relations(self) -> Found: ...
    @property
    def grid(self) -> Grid | None: ...
    @property
    def off_sight_size(self) -> str | None: ...


Reckoning = Callable[[Reckoned], Table]


@dataclass(frozen=True, slots=True)
class School:
    """A school. `manners` are those of the recipe that it allows; `aids` are what it needs
    beside pencil and sheet; `reckons` makes its own table, if it has one; `at_sight_size` says that
    its drawing is as large as the subject looks."""

    name: str
    title: str
    manners: frozenset[str]
    set_up: tuple[Hint, ...]
    checks: tuple[Hint, ...]
    mistakes: tuple[Hint, ...]
    reckons: Reckoning | None = None
    at_sight_size: bool = False
    aids: tuple[str, ...] = ()


def hints(*pairs: tuple[str, str]) -> tuple[Hint, ...]:
    """Hints from (sign, text) pairs."""
    return tuple(Hint(sign, text) for sign, text in pairs)
