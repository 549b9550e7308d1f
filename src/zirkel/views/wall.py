"""The wall: every study with its block-in as it stands."""

from __future__ import annotations

from datetime import datetime
from threading import Lock

from cachetools import LRUCache
from pydantic import BaseModel

from zirkel.core.words.wall import ORDER, waits_for
from zirkel.core.worked import Worked
from zirkel.store.store import Broken, Store, Stored

KEPT = 2000
MOST_SOLVED = 300
"""Landmarks beyond which a study isn't worked out only to hang on the wall."""


class CardLine(BaseModel):
    """One stroke of a card's small block-in, in sheet millimetres."""

    points: list[tuple[float, float]]
    closed: bool
    sure: bool


class StudyCard(BaseModel):
    """A study as it hangs on the wall."""

    id: int
    title: str
    method: str
    demo: bool
    changed_at: datetime
    width_mm: float
    height_mm: float
    landmarks: int
    held: int | None
    """None where it has so many landmarks that the wall doesn't wait for it."""
    readings: int
    doubts: int
    waits: str
    """What it waits for, in words, and how early that comes in the order of work."""
    waits_order: int
    lines: list[CardLine]


class BrokenCard(BaseModel):
    """A study that can't be read, and what can be done: its file saved, its last change undone."""

    id: int
    version: int
    title: str
    why: str
    undo: str | None


class DownCard(BaseModel):
    """A study that was taken off the wall and can be hung up again."""

    id: int
    title: str
    at: datetime


class Wall(BaseModel):
    """All studies, last changed first; those that can't be read; those taken down."""

    studies: list[StudyCard]
    broken: list[BrokenCard]
    down: list[DownCard]


def wall(store: Store) -> Wall:
    """Every study with its block-in as it stands."""
    found = store.all()
    return Wall(
        studies=[_card(store, each) for each in found if isinstance(each, Stored)],
        broken=[
            BrokenCard(
                id=each.id, version=each.version, title=each.title, why=each.why, undo=each.undo
            )
            for each in found
            if isinstance(each, Broken)
        ],
        down=[DownCard(id=each.id, title=each.title, at=each.at) for each in store.taken_down()],
    )


_cards: LRUCache[tuple[str, int, int], StudyCard] = LRUCache(KEPT)
_lock = Lock()


def _card(store: Store, stored: Stored) -> StudyCard:
    """The card of a study, made once a version."""
    key = (store.name, stored.id, stored.version)
    with _lock:
        kept = _cards.get(key)
    if kept is not None:
        return kept
    solved = stored.worked.solved or len(stored.study.landmarks) <= MOST_SOLVED
    made = _made(stored, solved)
    if solved:
        with _lock:
            _cards[key] = made
    return made


def _made(stored: Stored, solved: bool) -> StudyCard:
    """The card, with what only the solved study tells where it is solved or may be for this."""
    worked, study = stored.worked, stored.study
    doubts = len(worked.solution.doubts) if solved else 0
    loose = sum(each == "loose" for each in worked.standing.values()) if solved else None
    what, said = waits_for(study, doubts, loose)
    return StudyCard(
        id=stored.id,
        title=study.title,
        method=study.method,
        demo=stored.demo is not None,
        changed_at=stored.changed_at,
        width_mm=study.sheet.width_mm,
        height_mm=study.sheet.height_mm,
        landmarks=len(study.landmarks),
        held=sum(each != "loose" for each in worked.standing.values()) if solved else None,
        readings=sum(not each.struck for each in study.sightings),
        doubts=doubts,
        waits=said,
        waits_order=ORDER.index(what),
        lines=_lines(worked) if solved else [],
    )


def _lines(worked: Worked) -> list[CardLine]:
    marks, standing = worked.plan.marks, worked.standing
    return [
        CardLine(
            points=[(marks[n].held_left_mm, marks[n].held_top_mm) for n in each.outline],
            closed=each.closed,
            sure=all(standing[n] in ("held", "proven") for n in each.outline),
        )
        for each in worked.study.shapes
    ]
