"""The photograph of the drawing: its corners, and the sheet looked at from straight above."""

from __future__ import annotations

from pydantic import BaseModel

from zirkel.core.drawn import Photograph
from zirkel.core.study import Study
from zirkel.core.words.base import Words
from zirkel.errors import BadInput, NotFound
from zirkel.pictures.find_sheet import find_sheet
from zirkel.pictures.flatten import flat_view
from zirkel.store.store import Store
from zirkel.studyfile.entries import Id
from zirkel.studyfile.schema import FilePhotograph


class PhotographShown(BaseModel):
    """The drawing's photograph: as it was taken, and flattened."""

    record: FilePhotograph
    image: str
    flat: str
    sigma: str


class CornersAsked(BaseModel):
    """A kept picture in which the sheet is looked for."""

    picture: Id


class CornersFound(BaseModel):
    """The photograph with the corners found, or with a frame to drag to them."""

    photograph: FilePhotograph
    clear: bool
    said: str


def photograph_shown(
    kept: Photograph | None, base: str, version: int, words: Words, study: Study
) -> PhotographShown | None:
    """The study's photograph, if there is one."""
    if kept is None:
        return None
    return PhotographShown(
        record=kept,
        image=f"/api/v1/pictures/{kept.picture}/view?longest=2400",
        flat=f"{base}/drawing.jpg?longest=1800&version={version}",
        sigma=words.within(study.drawn_sigma_mm),
    )


def find_corners(store: Store, study_id: int, picture: str) -> CornersFound:
    """The sheet's corners in a kept picture; changes nothing."""
    sheet = store.get(study_id).study.sheet
    kept = store.pictures.get(picture)
    found = find_sheet(kept.path, kept.id, sheet.width_mm / sheet.height_mm)
    made = Photograph(
        kept.id, kept.width, kept.height, found.corners, found.bend, found=found.clear
    )
    if found.clear:
        said = "The corners are clear. Look at each with the magnifier; drag one that is off."
    else:
        said = f"Set the four corners yourself: {found.why}."
    return CornersFound(photograph=made, clear=found.clear, said=said)


def drawing_picture(store: Store, study_id: int, check: str | None, longest: int) -> bytes:
    """JPEG of the drawing's photograph flattened, as it is now or as it was at a check."""
    study = store.get(study_id).study
    photograph = study.photograph
    if check is not None:
        kept = next((each for each in study.checks if each.id == check), None)
        photograph = kept.photograph if kept else None
    if photograph is None:
        raise NotFound("There is no photograph of this drawing: take one in first.")
    if photograph.problem() is not None:
        raise BadInput("corners", "the corners make no sheet: set them again")
    path = store.pictures.get(photograph.picture).path
    return flat_view(path, photograph, (study.sheet.width_mm, study.sheet.height_mm), longest)
