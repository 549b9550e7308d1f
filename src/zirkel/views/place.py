"""The place a study is drawn from: what was written down, its plan, what to go by to come back."""

from __future__ import annotations

from pydantic import BaseModel

from zirkel.core.pose import Place
from zirkel.core.sitting.place import laid_out, place_of
from zirkel.core.study import Study
from zirkel.core.words.place import checklist, say_far
from zirkel.studyfile.schema import FilePlace

Spot = tuple[float, float]


class PlanShown(BaseModel):
    """The place from above, in mm from the subject: x to the right, y towards the artist; with the
    words on its lines."""

    eye: Spot
    board: tuple[Spot, Spot] | None
    light: Spot | None
    reach: float
    distance: str
    easel: str | None


class PlaceShown(BaseModel):
    """The place; `written` is whether the artist wrote it down, else it is a simulated station's or
    empty."""

    place: FilePlace
    written: bool
    plan: PlanShown | None
    checklist: list[str]


def place_shown(study: Study) -> PlaceShown:
    """The place of a study."""
    place = place_of(study) or Place()
    laid = laid_out(place)
    plan = None
    if laid is not None and place.distance_mm is not None:
        easel = None if place.easel_mm is None else say_far(place.easel_mm, study.inches)
        plan = PlanShown(
            eye=laid.eye, board=laid.board, light=laid.light, reach=laid.reach,
            distance=say_far(place.distance_mm, study.inches), easel=easel,
        )  # fmt: skip
    return PlaceShown(
        place=place, written=study.place is not None, plan=plan,
        checklist=checklist(place, study.inches),
    )  # fmt: skip
