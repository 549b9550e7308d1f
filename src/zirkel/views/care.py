"""What a sitting has to know of what is drawn: what to lay out, what to take care of."""

from __future__ import annotations

from collections.abc import Mapping

from pydantic import BaseModel

from zirkel.core.sitting.about import about, ground
from zirkel.core.sitting.materials import Materials, fitting
from zirkel.core.words.sitting import (
    ASKED,
    AT_REST,
    AT_THE_END,
    BEFORE,
    IN_A_REST,
    IT_MOVED,
    LONG_WITHOUT,
    MOVED,
    OVER,
    TIRED,
    USUALLY,
)
from zirkel.materials import all_materials, shipped_materials
from zirkel.store.store import Store, Stored
from zirkel.views.tones import medium_data


class ItemShown(BaseModel):
    """One thing to lay out, and what it is for."""

    what: str
    stage: str


class MaterialsShown(BaseModel):
    """A list of what to lay out, and what to take care of; `own` where the artist wrote it anew,
    `fixed` where it follows from the medium."""

    name: str
    title: str
    items: list[ItemShown]
    cautions: list[str]
    own: bool = False
    fixed: bool = False


class CareShown(BaseModel):
    """What is drawn, as said or found out, and what is to be taken care of meanwhile."""

    about: str | None
    choices: list[tuple[str, str]]
    before: str
    resting: str
    tired: str
    over: str
    moved: str


def _about(stored: Stored) -> str | None:
    return about(stored.study, stored.scene.work if stored.scene else None)


def care_of(stored: Stored) -> CareShown:
    """What is taken care of before, in and after a sitting."""
    of = _about(stored) or ""
    return CareShown(
        about=of or None,
        choices=list(ASKED.items()),
        before=BEFORE.get(of, USUALLY),
        resting=IN_A_REST.get(of, AT_REST),
        tired=LONG_WITHOUT.get(of, TIRED),
        over=AT_THE_END.get(of, OVER),
        moved=say_moved(stored),
    )


def say_moved(stored: Stored) -> str:
    """What is said when what is drawn is no longer as it was."""
    return MOVED.get(_about(stored) or "", IT_MOVED)


def laid_out(store: Store, stored: Stored) -> tuple[list[MaterialsShown], tuple[str, ...]]:
    """What is laid out for a study, and what is wrong with own lists that can't be read."""
    lists, trouble = all_materials(store.folder / "materials")
    return _materials(store, stored, lists), trouble


def _materials(
    store: Store, stored: Stored, lists: Mapping[str, Materials]
) -> list[MaterialsShown]:
    """What is laid out for school, subject, medium and ground, and the sticks of the medium."""
    study = stored.study
    medium = medium_data(store, study)
    made = [
        MaterialsShown(
            name=each.name, title=each.title, cautions=list(each.cautions),
            own=each is not shipped_materials().get(each.name),
            items=[ItemShown(what=item.what, stage=item.stage) for item in each.items],
        )
        for each in fitting(
            lists.values(), study.method, _about(stored), medium.name if medium else None,
            ground(study),
        )
    ]  # fmt: skip
    if medium is not None:
        sticks = [ItemShown(what=stick.name, stage="tone") for stick in medium.sticks]
        made.append(
            MaterialsShown(
                name=medium.name, title=medium.title, items=sticks,
                cautions=list(medium.cautions), fixed=True,
            )
        )  # fmt: skip
    return made
