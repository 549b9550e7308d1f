"""What a school of sighting is: what it allows, how it is set up, what is checked, what goes
wrong."""

from __future__ import annotations

from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class Hint:
    """One thing to do or to look out for, with the sign that it is drawn by."""

    sign: str
    text: str


@dataclass(frozen=True, slots=True)
class School:
    """A school. `manners` are those of the recipe that it allows; `reckons` names its own
    arithmetic: grid, dividers, sight_size, pane, triangles or none."""

    name: str
    title: str
    manners: frozenset[str]
    set_up: tuple[Hint, ...]
    checks: tuple[Hint, ...]
    mistakes: tuple[Hint, ...]
    reckons: str | None = None


def hints(*pairs: tuple[str, str]) -> tuple[Hint, ...]:
    """Hints from (sign, text) pairs."""
    return tuple(Hint(sign, text) for sign, text in pairs)
