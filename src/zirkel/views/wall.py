"""The wall: every study with its block-in as it stands."""

from __future__ import annotations

from collections.abc import Callable
from datetime import datetime
from time import monotonic

from pydantic import BaseModel, ValidationError

from zirkel import __version__
from zirkel.core.words.wall import ORDER, Stage, stage_of, waits_for
from zirkel.core.worked import Worked
from zirkel.errors import NotFound
from zirkel.store.cards import Listed
from zirkel.store.store import Broken, Store, Stored

MADE_BY = f"{__version__} 3"
"""Which Zirkel works cards out so: another figure here, and all are made anew."""

AT_ONCE = 1.0
"""Seconds for which the wall works out cards that aren't kept; what is left comes when it is asked
again, so that it opens at once whatever it holds."""

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
    stage: Stage
    """Where on its way it is."""
    lines: list[CardLine]
    next_at: str | None = None
    """When its next sitting is, by the clock there."""
    tags: list[str]
    put_away: bool
    version: int
    pending: bool = False
    """Whether it is still being worked out: then only its title stands."""


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
    """All studies, last changed first; those that can't be read; those taken down. Studies of
    pupils hang on the walls of their lessons: `pupils` are so many."""

    studies: list[StudyCard]
    broken: list[BrokenCard]
    down: list[DownCard]
    pupils: int = 0


def wall(store: Store, clock: Callable[[], float] = monotonic) -> Wall:
    """Every study with its block-in as it stands; what isn't kept is worked out for a moment, and
    the rest is pending."""
    until = clock() + AT_ONCE
    studies: list[StudyCard] = []
    broken: list[BrokenCard] = []
    theirs, pupils = store.lessons.studies(), 0
    for each in store.cards.listed(MADE_BY):
        if each.id in theirs:
            pupils += 1
            continue
        card: StudyCard | BrokenCard | None = _kept(each)
        if card is None and clock() < until:
            try:
                card = _made_anew(store, each)
            except NotFound:
                continue
        if isinstance(card, BrokenCard):
            broken.append(card)
        else:
            studies.append(card or _pending(each))
    return Wall(
        studies=studies,
        broken=broken,
        down=[DownCard(id=each.id, title=each.title, at=each.at) for each in store.taken_down()],
        pupils=pupils,
    )


def _kept(listed: Listed) -> StudyCard | None:
    """The card as it was kept; None where there is none, or it can't be read any more."""
    if listed.card is None:
        return None
    try:
        return StudyCard.model_validate(listed.card)
    except ValidationError:
        return None


def _made_anew(store: Store, listed: Listed) -> StudyCard | BrokenCard:
    stored = store.get_or_broken(listed.id)
    if isinstance(stored, Broken):
        return BrokenCard(
            id=stored.id, version=stored.version, title=stored.title, why=stored.why,
            undo=stored.undo,
        )  # fmt: skip
    solved = stored.worked.solved or len(stored.study.landmarks) <= MOST_SOLVED
    made = card_of(stored, solved)
    if solved:
        store.cards.keep(stored.id, stored.version, MADE_BY, made.model_dump(mode="json"))
    return made


def _pending(listed: Listed) -> StudyCard:
    return StudyCard(
        id=listed.id, title=listed.title, method="", demo=listed.demo,
        changed_at=listed.changed_at, width_mm=210.0, height_mm=297.0, landmarks=0, held=None,
        readings=0, doubts=0, waits="", waits_order=len(ORDER), stage="sight", lines=[], tags=[],
        put_away=False, version=listed.version, pending=True,
    )  # fmt: skip


def card_of(stored: Stored, solved: bool = True) -> StudyCard:
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
        stage=stage_of(study, doubts, loose),
        lines=_lines(worked) if solved else [],
        next_at=study.next_sitting,
        tags=list(study.tags),
        put_away=study.put_away,
        version=stored.version,
    )


def _lines(worked: Worked) -> list[CardLine]:
    marks, standing = worked.plan.marks, worked.standing
    return [
        CardLine(
            points=[
                (round(marks[n].held_left_mm, 1), round(marks[n].held_top_mm, 1))
                for n in each.outline
            ],
            closed=each.closed,
            sure=all(standing[n] in ("held", "proven") for n in each.outline),
        )
        for each in worked.study.shapes
    ]
