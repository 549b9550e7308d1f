"""The drawing's own tones, read off its photograph and held against the plan."""

from __future__ import annotations

from pydantic import BaseModel

from zirkel.core.tones.drawn import against_plan
from zirkel.core.tones.plan import USUAL_GROUPS
from zirkel.core.words.tones import say_drawn
from zirkel.pictures.drawn_tones import drawn_tones
from zirkel.store.store import Store
from zirkel.views.drawing import drawing_picture
from zirkel.views.tones import medium_data

CHECKED_PX = 1200
MOST_BROKEN = 6


class DrawnTone(BaseModel):
    """An area's tone on the drawing against the plan."""

    area: str
    name: str
    drawn: float
    planned: float
    said: str
    off: bool


class DrawnTones(BaseModel):
    """The drawing's tones against the plan; what is missing, where nothing can be told."""

    areas: list[DrawnTone]
    order: list[str]
    next: str | None
    missing: str | None


def check_tones(store: Store, study_id: int) -> DrawnTones:
    """The photographed drawing's tones against the plan."""
    stored = store.get(study_id)
    study, worked = stored.study, stored.worked
    if study.photograph is None:
        return _nothing("Take in a photograph of the drawing in Check first.")
    plan = worked.plan_tones(medium_data(store, study), USUAL_GROUPS)
    scale = CHECKED_PX / max(study.sheet.width_mm, study.sheet.height_mm)
    spots = {name: (m.held_left_mm, m.held_top_mm) for name, m in worked.plan.marks.items()}
    spots |= dict(study.drawn)
    outlines = {
        each.id: [[c * scale for c in spots[name]] for name in each.outline if name in spots]
        for each in study.tone_areas
    }
    outlines = {name: o for name, o in outlines.items() if len(o) >= 3 and name in plan.areas}
    if not outlines:
        return _nothing("Outline the areas by landmarks, and compare them, before the drawing.")
    flat = drawing_picture(store, study_id, None, CHECKED_PX)
    drawn = drawn_tones(flat, outlines, plan.medium.paper)
    if drawn is None:
        return _nothing("Too little bare paper is left in the photograph to even out its light.")
    judged = against_plan(plan, drawn)
    names = {each.id: each.name for each in study.tone_areas}
    on = judged.next
    return DrawnTones(
        areas=[
            DrawnTone(area=each.area, name=names[each.area], drawn=each.drawn,
                      planned=each.planned, said=say_drawn(each), off=each.sort != "as planned")
            for each in judged.areas
        ],
        order=[
            f"{names[a]} should be darker than {names[b]}, and is lighter."
            for a, b in judged.broken[:MOST_BROKEN]
        ],
        next=None if on is None else f"Next: {names[on.area]}, {say_drawn(on)}.",
        missing=None,
    )  # fmt: skip


def _nothing(missing: str) -> DrawnTones:
    return DrawnTones(areas=[], order=[], next=None, missing=missing)
