"""The sheet's room: the frame over the subject, how it fits the sheet, and what could run off."""

from __future__ import annotations

from collections.abc import Mapping

import numpy as np
from pydantic import BaseModel

from zirkel.core.frames import Frame, Placement
from zirkel.core.network.solve import Solution
from zirkel.core.sheet.arithmetic.grid import COLUMNS, make_grid
from zirkel.core.sheet.fit import PLACEMENTS, offers, overruns, placement_like
from zirkel.core.sheet.frame import FrameFacts, frame_facts, suggested_direction, with_proportion
from zirkel.core.sheet.plan import Plan, box_round
from zirkel.core.study import PictureSubject, SimulatedSubject, Study, UnitPair
from zirkel.core.subject.calculator import sight_size
from zirkel.core.values.fractions import say_number
from zirkel.core.values.lengths import say_length
from zirkel.core.words.plural import several
from zirkel.store.store import Store, Stored
from zirkel.views.subject import Sight, sight_of

MOST_NEGATIVE = 8
SAME_SIZE = "same size"

JUST_OVER = 0.005
"""How far, in units, a landmark must lie beyond an edge to run over it."""

LEAST_EXTENT = 0.2
"""Least breadth and height, in units, of a frame that is begun."""

QUARTERS = {0.0: "at its very end", 0.25: "a quarter along", 0.5: "half-way along",
            0.75: "three quarters along", 1.0: "at its very end"}  # fmt: skip


class RoomFrame(BaseModel):
    """A frame in units."""

    left: float
    right: float
    top: float
    bottom: float


class FrameTouch(BaseModel):
    """A landmark at an edge of the frame, in words."""

    landmark: str
    edge: str
    said: str


class Negative(BaseModel):
    """A closed piece of background: its share of the frame, its outline in units, and those of what
    stands within it."""

    share: float
    outline: list[tuple[float, float]]
    holes: list[list[tuple[float, float]]]
    at_edge: bool


class Proportion(BaseModel):
    """A proportion, width over height, and the smallest frame of it that holds this one."""

    name: str
    ratio: float
    frame: RoomFrame


class Compared(BaseModel):
    """A kept frame beside the others."""

    name: str
    frame: RoomFrame
    width: float
    height: float
    subject_share: float
    direction: str
    unit_said: str


class UnitOffer(BaseModel):
    """A length for the unit on this sheet, and what its rounding costs."""

    unit_mm: float
    said: str
    why: str
    fits: bool
    cost_said: str
    size_said: str
    here: bool


class PlacementOffer(BaseModel):
    """A way of placing the frame on the sheet."""

    name: str
    across: float
    down: float
    here: bool


class RoomLandmark(BaseModel):
    """A landmark as solved, in units."""

    id: str
    name: str
    x: float
    y: float
    tier: int


class SheetRoom(BaseModel):
    """Frame and fit of a study. Everything about the subject is in units, about the sheet in mm.

    `image` lies at `image_box` (left, top, right, bottom, in units) if something stands in for the
    subject.
    """

    unit: str
    unit_many: str
    """What several of the unit are called."""
    frame: RoomFrame
    framed: bool
    width_said: str
    height_said: str
    touches: list[FrameTouch]
    subject_share: float
    negative: list[Negative]
    suggested: str
    direction: str
    proportions: list[Proportion]
    all_round: RoomFrame
    landmarks: list[RoomLandmark]
    offers: list[UnitOffer]
    placements: list[PlacementOffer]
    overruns: list[str]
    kept: list[Compared]
    print_unit_mm: float | None
    """The unit's length on the print itself, where its true size is known."""
    image_box: tuple[float, float, float, float] | None
    inches: bool


def open_sheet_room(store: Store, study_id: int, draft: Frame | None) -> SheetRoom:
    """The room for the study's frame, or for a draft of it that is being dragged."""
    stored = store.get(study_id)
    worked, study = stored.worked, stored.study
    solution = worked.solution
    places = {n: (p.held_x, p.held_y) for n, p in solution.landmarks.items()}
    box = _with_extent(box_round(solution.landmarks)) if places else Frame(-0.5, 0.5, -0.5, 0.5)
    frame = draft or study.frame or box
    facts = frame_facts(frame, places, study.shapes)
    plan = worked.plan
    sight = sight_of(stored)
    ratio = _ratio(study)
    return SheetRoom(
        unit=study.unit.name if study.unit else "unit",
        unit_many=several(study.unit.name if study.unit else "unit"),
        frame=_frame(frame),
        framed=study.frame is not None,
        width_said=say_number(facts.width),
        height_said=say_number(facts.height),
        touches=_touches(study, facts),
        subject_share=facts.subject_share,
        negative=[
            Negative(
                share=n.share,
                outline=list(n.outline),
                holes=[list(each) for each in n.holes],
                at_edge=n.at_edge,
            )
            for n in facts.negative[:MOST_NEGATIVE]
        ],
        suggested=facts.suggested,
        direction=plan.orientation,
        proportions=_proportions(frame, ratio),
        all_round=_frame(box),
        landmarks=_landmarks(study, solution),
        offers=_offers(stored, plan, frame, sight),
        placements=_placements(study, frame, sight),
        overruns=_overruns(study, plan),
        kept=[_compared(study, each.name, each.frame, places) for each in study.frames],
        print_unit_mm=_fixed(stored, sight).get(SAME_SIZE),
        image_box=_image_box(study, sight),
        inches=study.inches,
    )


def _with_extent(box: Frame) -> Frame:
    """The box itself, or one of some extent about landmarks that lie in a line or at one place."""
    x, y = (box.left + box.right) / 2.0, (box.top + box.bottom) / 2.0
    wide = max(box.right - box.left, LEAST_EXTENT) / 2.0
    high = max(box.bottom - box.top, LEAST_EXTENT) / 2.0
    return Frame(x - wide, x + wide, y - high, y + high)


def _ratio(study: Study) -> float:
    return study.sheet.width_mm / study.sheet.height_mm


def _proportions(frame: Frame, sheet: float) -> list[Proportion]:
    """The sheet's own, and the openings of common cards, upright or lying as the frame is."""
    lying = frame.right - frame.left > frame.bottom - frame.top
    named = {"the sheet's": sheet}
    named |= {
        f"card {a}:{b}": a / b if lying else b / a for a, b in ((1, 1), (4, 3), (3, 2), (2, 1))
    }
    return [
        Proportion(name=name, ratio=ratio, frame=_frame(with_proportion(frame, ratio)))
        for name, ratio in named.items()
    ]


def _frame(frame: Frame) -> RoomFrame:
    return RoomFrame(left=frame.left, right=frame.right, top=frame.top, bottom=frame.bottom)


def _touches(study: Study, facts: FrameFacts) -> list[FrameTouch]:
    names = {each.id: each.name for each in study.landmarks}
    unit = study.unit.name if study.unit else "unit"
    made = []
    for each in facts.touches:
        quarter = min(QUARTERS, key=lambda share: abs(share - each.share))
        start = "top" if each.edge in ("left", "right") else "left"
        where = QUARTERS[quarter]
        if abs(quarter - each.share) > 0.06:
            where = f"{say_number(each.units)} {several(unit)} from the {start}"
        beyond = "runs over" if each.inside < -JUST_OVER else "touches"
        made.append(FrameTouch(
            landmark=each.landmark, edge=each.edge,
            said=f"{names[each.landmark]} {beyond} the {each.edge} edge, {where}.",
        ))  # fmt: skip
    return made


def _landmarks(study: Study, solution: Solution) -> list[RoomLandmark]:
    return [
        RoomLandmark(
            id=m.id, name=m.name, tier=m.tier,
            x=solution.landmarks[m.id].held_x, y=solution.landmarks[m.id].held_y,
        )
        for m in study.landmarks
    ]  # fmt: skip


def _offers(stored: Stored, plan: Plan, frame: Frame, sight: Sight) -> list[UnitOffer]:
    study = stored.study
    fixed = _fixed(stored, sight)
    if study.method == "grid":
        grid = make_grid(frame, study.sheet, COLUMNS)
        fixed[f"squares of {say_length(grid.square_mm, study.inches)}"] = grid.enlargement
    made = offers(study, frame, study.inches, fixed)
    return [
        UnitOffer(
            unit_mm=each.unit_mm,
            said=say_length(each.unit_mm, study.inches),
            why=each.why,
            fits=each.fits,
            cost_said=(
                (
                    f"{say_length(round(each.cost_mm), study.inches)} smaller than the largest"
                    if round(each.cost_mm)
                    else "as large as it goes"
                )
                if each.fits
                else f"{say_length(round(-each.cost_mm), study.inches)} too large"
            ),
            size_said=f"{say_length(each.width_mm, study.inches)} wide, "
            f"{say_length(each.height_mm, study.inches)} high",
            here=plan.unit_mm is not None and abs(each.unit_mm - plan.unit_mm) < 0.01,
        )
        for each in made
    ]


def _fixed(stored: Stored, sight: Sight) -> dict[str, float]:
    """Lengths of the unit that a method fixes: by the station, or by the print's own size."""
    subject = stored.study.subject
    if isinstance(subject, SimulatedSubject) and sight.unit > 0:
        station = subject.station
        at_subject = sight.unit * station.distance_mm
        return {"sight-size": sight_size(at_subject, station.easel_mm, station.distance_mm)}
    if isinstance(subject, PictureSubject) and subject.mm_per_px and sight.unit > 0:
        print_mm = sight.unit * subject.mm_per_px
        return {SAME_SIZE: print_mm, "one and a half": 1.5 * print_mm, "twice": 2 * print_mm}
    return {}


def _placements(study: Study, frame: Frame, sight: Sight) -> list[PlacementOffer]:
    named: dict[str, Placement] = dict(PLACEMENTS)
    box = _image_box(study, sight)
    if box is not None and isinstance(study.subject, PictureSubject):
        named["as on the picture"] = placement_like(frame, Frame(box[0], box[2], box[1], box[3]))
    here = study.placement
    return [
        PlacementOffer(
            name=name,
            across=each.across,
            down=each.down,
            here=abs(each.across - here.across) < 0.005 and abs(each.down - here.down) < 0.005,
        )
        for name, each in named.items()
    ]


def _overruns(study: Study, plan: Plan) -> list[str]:
    names = {each.id: each.name for each in study.landmarks}
    said = []
    for each in overruns(study, plan)[:4]:
        if each.beyond_sheet_mm > 0:
            much = say_length(round(each.beyond_sheet_mm), study.inches)
            where = f"{much} off the sheet at the {each.edge}"
        else:
            much = say_length(round(each.beyond_margin_mm), study.inches)
            where = f"{much} into the {each.edge} margin"
        said.append(f"{names[each.landmark]} could still run {where}.")
    return said


def _compared(
    study: Study, name: str, frame: Frame, places: Mapping[str, tuple[float, float]]
) -> Compared:
    facts = frame_facts(frame, places, study.shapes)
    made = offers(study, frame, study.inches, {})
    return Compared(
        name=name,
        frame=_frame(frame),
        width=facts.width,
        height=facts.height,
        subject_share=facts.subject_share,
        direction=suggested_direction(facts.width, facts.height),
        unit_said=say_length(made[0].unit_mm, study.inches) if made else "-",
    )


def _image_box(study: Study, sight: Sight) -> tuple[float, float, float, float] | None:
    """Where the picture of the subject lies, in units from the unit's first end."""
    unit = study.unit
    if sight.box is None or sight.unit <= 0 or not isinstance(unit, UnitPair):
        return None
    if unit.start not in sight.places:
        return None
    origin = sight.places[unit.start]
    low = (np.array(sight.box[:2]) - origin) / sight.unit
    high = (np.array(sight.box[2:]) - origin) / sight.unit
    return float(low[0]), float(low[1]), float(high[0]), float(high[1])
