"""Kits on offer, and where their landmarks come to lie when some are pulled."""

from __future__ import annotations

from pydantic import BaseModel, Field

from zirkel.core.kits import Kit, placed
from zirkel.core.values.names import slug
from zirkel.errors import NotFound
from zirkel.kits import ENDING, own_kits, shipped_kits
from zirkel.store.store import Store
from zirkel.studyfile.entries import Id, Point
from zirkel.studyfile.kit_file import kit_of, read_kit
from zirkel.studyfile.own_files import keep_own
from zirkel.studyfile.schema import FileFamily, FileFigure, FileHead, FileShape, FileUnitPair
from zirkel.views.subject import sight_of

MOST_KITS = 200


class KitLandmarkShown(BaseModel):
    """A landmark of a kit, where it usually sits."""

    id: str
    name: str
    tier: int
    at: tuple[float, float]


class KitShown(BaseModel):
    """A kind of subject to begin with."""

    name: str
    title: str
    group: str
    note: str
    about: str | None
    own: bool
    landmarks: list[KitLandmarkShown]
    shapes: list[FileShape]
    unit: FileUnitPair | None
    families: list[FileFamily]
    heads: list[FileHead]
    figures: list[FileFigure]


class Kits(BaseModel):
    """All kits, those that ship first; what is wrong with own files that can't be read."""

    kits: list[KitShown]
    trouble: list[str]


class Pulled(BaseModel):
    """Where all points of a kit sit, and to where some of them were pulled."""

    usual: dict[Id, Point] = Field(max_length=300)
    pulled: dict[Id, Point] = Field(max_length=300)


class PulledPlaces(BaseModel):
    """Where all of them come to lie."""

    places: dict[str, tuple[float, float]]


def open_kits(store: Store) -> Kits:
    """All kits on offer."""
    own, trouble = own_kits(store.folder / "kits")
    shown = [_shown(each, False) for each in shipped_kits().values() if each.name not in own]
    shown += [_shown(each, True) for each in own.values()]
    return Kits(kits=shown, trouble=list(trouble))


def _shown(kit: Kit, own: bool) -> KitShown:
    return KitShown(
        name=kit.name, title=kit.title, group=kit.group, note=kit.note, about=kit.about, own=own,
        landmarks=[
            KitLandmarkShown(id=each.id, name=each.name, tier=each.tier, at=each.at)
            for each in kit.landmarks
        ],
        shapes=list(kit.shapes), unit=kit.unit, families=list(kit.families),
        heads=list(kit.heads), figures=list(kit.figures),
    )  # fmt: skip


def pull(asked: Pulled) -> PulledPlaces:
    """Where a kit's points come to lie."""
    return PulledPlaces(places=placed(asked.usual, asked.pulled))


def add_kit(store: Store, data: bytes) -> KitShown:
    """Keep a kit file beside the database; one of the same name is replaced. BadInput says what
    is wrong with it."""
    kit = read_kit(data)
    path = store.folder / "kits" / f"{slug(kit.name)}{ENDING}"
    keep_own(path, ENDING, data, "kits", MOST_KITS)
    return _shown(kit, True)


def kit_file(store: Store, study_id: int) -> tuple[str, bytes]:
    """File name and bytes of a kit made of a study, its landmarks where they are seen."""
    stored = store.get(study_id)
    places = {name: (float(x), float(y)) for name, (x, y) in sight_of(stored).places.items()}
    if len(places) < 2:
        places = dict(stored.worked.positions)
    name = slug(stored.study.title)
    if not name:
        raise NotFound("This study has no name to call its kit by.")
    return f"{name}{ENDING}", kit_of(stored.study, name, places)
