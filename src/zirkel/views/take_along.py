"""What is taken along: what there is for a study, and one of them as a file."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from functools import partial
from pathlib import Path
from typing import TYPE_CHECKING

from pydantic import BaseModel

from zirkel.core.values.names import slug
from zirkel.errors import NotFound
from zirkel.store.store import Store

if TYPE_CHECKING:
    from zirkel.paper.base import Paper


class PaperCard(BaseModel):
    """Something to take along: its button and what it is good for."""

    what: str
    label: str
    note: str
    printed: bool


class Papers(BaseModel):
    """All that a study can give."""

    papers: list[PaperCard]


def _papers() -> Mapping[str, Paper]:
    """Only once one is asked for: what draws papers takes long to load, and the start waits."""
    from zirkel.paper import PAPERS  # noqa: PLC0415

    return PAPERS


@dataclass(frozen=True, slots=True)
class Taken:
    """A file to take along."""

    name: str
    kind: str
    data: bytes


def papers_of(store: Store, study_id: int) -> Papers:
    """What there is to take along from a study."""
    study = store.get(study_id).study
    return Papers(
        papers=[
            PaperCard(what=each.name, label=each.label, note=each.note, printed=each.printed)
            for each in _papers().values()
            if each.fits(study)
        ]
    )


def take_along(store: Store, study_id: int, what: str, artist: str = "") -> Taken:
    """One of the things to take along, drawn by the artist of that id; NotFound for any other."""
    from zirkel.paper.page import drawn_by  # noqa: PLC0415

    papers = _papers()
    if what not in papers:
        raise NotFound(f"There is no “{what}” to take along: choose from {', '.join(papers)}.")
    worked = store.get(study_id).worked
    paper = papers[what]
    kind, ending = paper.sort
    named = next((each.name for each in store.practice.artists() if each.id == artist), "")
    with drawn_by(named):
        data = (
            paper.illustrated(worked, partial(_picture, store)) if paper.illustrated
            else paper.make(worked)
        )  # fmt: skip
    return Taken(f"{slug(worked.study.title)}_{what}.{ending}", kind, data)


def _picture(store: Store, name: str) -> Path | None:
    try:
        return store.pictures.get(name).path
    except NotFound:
        return None
