"""The station's room: plan and side view, what it warns of, what things measure from there."""

from __future__ import annotations

import numpy as np
from pydantic import BaseModel, Field

from zirkel.core.arrays import Array
from zirkel.core.study import SimulatedSubject
from zirkel.core.subject.calculator import (
    Reckoning,
    cautions,
    easel_for,
    reach_from_two,
    reckon,
)
from zirkel.core.subject.faults import FAULTS
from zirkel.core.subject.lamps import LAMPS, LampName
from zirkel.core.subject.scene import Scene, hulls, seen_landmarks, view_of
from zirkel.core.subject.sight import holding
from zirkel.core.subject.station import Station
from zirkel.core.words.faults import FAULT_WORDS
from zirkel.core.words.station import say_caution, say_reach
from zirkel.errors import BadInput
from zirkel.store.store import Store
from zirkel.studyfile.schema import FileStation
from zirkel.views.subject import hidden_landmarks, scene_address, seen_address, thumbnail_address


class SceneCard(BaseModel):
    """A scene to choose."""

    name: str
    title: str
    work: str
    landmarks: int
    image: str


class SceneList(BaseModel):
    """All scenes at hand."""

    scenes: list[SceneCard]


class Outline(BaseModel):
    """A solid as seen from above or from the side, in mm: its corners' hull."""

    points: list[tuple[float, float]]


class StationWarning(BaseModel):
    """Something about the station to mend."""

    about: str
    text: str


class FaultCard(BaseModel):
    """A fault of the hand, and what it costs from this station at `size`."""

    name: str
    title: str
    size: float
    size_in: str
    most: float
    on: bool
    said: str


class Reckoned(BaseModel):
    """What things measure from the station, in mm and per cent."""

    unit_name: str
    unit_mm: float
    unit_on_stick_mm: float
    subject_height_mm: float
    subject_on_stick_mm: float
    sheet_unit_mm: float
    sight_size_unit_mm: float
    sight_size_height_mm: float
    bend_percent: float
    bend_sheet_mm: float
    sway_subject_mm: float
    sway_sheet_mm: float
    times_away: float
    nearest_good_mm: float
    easel_for_sheet_mm: float
    """Where the easel goes for the drawing to come out at the size it has on the sheet."""


class LightCard(BaseModel):
    """A light to put the scene in."""

    name: LampName
    title: str


class StationRoom(BaseModel):
    """A station tried out. Plan places are (right, away) and side places (away, up) from the middle
    of the scene, in mm, as seen from the station's own direction for the side view."""

    scene: str
    station: FileStation
    image: str
    plan: list[Outline]
    side: list[Outline]
    eye_plan: tuple[float, float]
    light: LampName | None
    lights: list[LightCard]
    largest_mm: float
    cautions: list[StationWarning]
    hidden: list[str]
    reckoned: Reckoned
    faults: list[FaultCard]


class Reach(BaseModel):
    """The real reach, worked back."""

    reach_mm: float
    sd_mm: float
    said: str


def list_scenes(store: Store) -> SceneList:
    """All scenes at hand, each drawn from its own station."""
    return SceneList(scenes=[scene_card(each) for each in store.scenes.all()])


def scene_card(scene: Scene) -> SceneCard:
    """A scene drawn from its own station."""
    return SceneCard(
        name=scene.name,
        title=scene.title,
        work=scene.work,
        landmarks=len(scene.landmarks),
        image=thumbnail_address(scene),
    )


def open_station(store: Store, study_id: int, draft: Station | None) -> StationRoom:
    """The room of a study's station, or of a draft of it that is being dragged."""
    stored = store.get(study_id)
    subject = stored.study.subject
    if not isinstance(subject, SimulatedSubject) or stored.scene is None:
        raise BadInput("subject", "this study has no simulated subject to take a station before")
    station = draft or subject.station
    scene = stored.scene
    plan = stored.worked.plan
    hold = holding(scene, station)
    view = view_of(scene, station)
    seen = np.array(list(seen_landmarks(scene, station).values()))
    height = float(np.ptp(seen[:, 1])) * station.distance_mm
    largest = float(scene.extent.size.max())
    sheet_unit = plan.unit_mm or 1.0
    made = reckon(station, largest, height, hold.unit_mm, sheet_unit)
    on_sheet = height / hold.unit_mm * sheet_unit
    middle = scene.extent.middle
    return StationRoom(
        scene=scene.title,
        station=station,
        # A drawing is there at once while the station is dragged.
        image=(seen_address if draft is None else scene_address)(
            scene.name, station, subject.light
        ),
        light=subject.light,
        lights=[LightCard(name=name, title=each.title) for name, each in LAMPS.items()],
        plan=_hulls(scene, np.array([[1.0, 0, 0], [0, 1.0, 0]]), middle),
        side=_hulls(scene, np.array([view.ahead, [0, 0, 1.0]]), middle * np.array([1, 1, 0])),
        eye_plan=(float(view.eye[0] - middle[0]), float(view.eye[1] - middle[1])),
        largest_mm=largest,
        cautions=[
            StationWarning(about=each.about, text=say_caution(each))
            for each in cautions(station, largest, _widest_deg(seen))
        ],
        hidden=list(hidden_landmarks(scene, station)) if draft is None else [],
        reckoned=_reckoned(made, stored.study.unit, hold.unit_mm, height, sheet_unit,
                           easel_for(on_sheet, height, station.distance_mm)),
        faults=[
            FaultCard(
                name=name,
                title=FAULT_WORDS[name].title,
                size=subject.faults.get(name, fault.usual),
                size_in=fault.size_in,
                most=fault.most,
                on=name in subject.faults,
                said=FAULT_WORDS[name].costs(subject.faults.get(name, fault.usual), hold),
            )
            for name, fault in FAULTS.items()
        ],
    )  # fmt: skip


def _widest_deg(seen: Array) -> float:
    """The widest angle between the ray to the middle of what is seen and that to a landmark, in
    degrees."""
    rays = np.column_stack([seen, np.ones(len(seen))])
    rays /= np.linalg.norm(rays, axis=1)[:, None]
    middle = np.append((seen.min(axis=0) + seen.max(axis=0)) / 2.0, 1.0)
    middle /= np.linalg.norm(middle)
    return float(np.degrees(np.arccos(np.clip(rays @ middle, -1.0, 1.0)).max()))


def _hulls(scene: Scene, axes: Array, middle: Array) -> list[Outline]:
    return [
        Outline(points=[(round(float(x), 1), round(float(y), 1)) for x, y in hull])
        for hull in hulls(scene, axes, middle)
    ]


def _reckoned(
    made: Reckoning, unit: object, unit_mm: float, height: float, sheet_unit: float, easel: float
) -> Reckoned:
    return Reckoned(
        unit_name=getattr(unit, "name", "unit"),
        unit_mm=unit_mm,
        unit_on_stick_mm=made.unit_on_stick_mm,
        subject_height_mm=height,
        subject_on_stick_mm=made.subject_on_stick_mm,
        sheet_unit_mm=sheet_unit,
        sight_size_unit_mm=made.sight_size_unit_mm,
        sight_size_height_mm=made.sight_size_height_mm,
        bend_percent=made.bend_percent,
        bend_sheet_mm=made.bend_sheet_mm,
        sway_subject_mm=made.sway_subject_mm,
        sway_sheet_mm=made.sway_sheet_mm,
        times_away=made.times_away,
        nearest_good_mm=made.nearest_good_mm,
        easel_for_sheet_mm=easel,
    )


class LiveQuery(BaseModel):
    """A live subject and a station before it, in mm; `wanted_mm` is how high it is to be drawn."""

    height_mm: float = Field(gt=0, le=1e6, allow_inf_nan=False)
    width_mm: float = Field(gt=0, le=1e6, allow_inf_nan=False)
    unit_mm: float = Field(gt=0, le=1e6, allow_inf_nan=False)
    distance_mm: float = Field(ge=200, le=1e6, allow_inf_nan=False)
    reach_mm: float = Field(ge=150, le=1200, allow_inf_nan=False)
    easel_mm: float = Field(ge=200, le=2e4, allow_inf_nan=False)
    wanted_mm: float = Field(gt=0, le=2e4, allow_inf_nan=False)


class LiveReckoning(BaseModel):
    """What things measure before a live subject, and what to mend."""

    reckoned: Reckoned
    cautions: list[StationWarning]


def reckon_live(asked: LiveQuery) -> LiveReckoning:
    """The calculator for a subject that really stands there."""
    station = Station(asked.distance_mm, 0.0, reach_mm=asked.reach_mm, easel_mm=asked.easel_mm)
    largest = max(asked.height_mm, asked.width_mm)
    sheet_unit = asked.wanted_mm * asked.unit_mm / asked.height_mm
    made = reckon(station, largest, asked.height_mm, asked.unit_mm, sheet_unit)
    widest = float(np.degrees(np.arctan(np.hypot(asked.height_mm, asked.width_mm)
                                        / 2.0 / asked.distance_mm)))  # fmt: skip
    return LiveReckoning(
        reckoned=_reckoned(made, None, asked.unit_mm, asked.height_mm, sheet_unit,
                           easel_for(asked.wanted_mm, asked.height_mm, asked.distance_mm)),
        cautions=[
            StationWarning(about=each.about, text=say_caution(each))
            for each in cautions(station, largest, widest)
        ],
    )  # fmt: skip


def work_back(length_mm: float, near_mm: float, far_mm: float, back_mm: float) -> Reach:
    """The real reach from two readings of a known length."""
    try:
        made = reach_from_two(length_mm, near_mm, far_mm, back_mm)
    except ValueError as error:
        raise BadInput("far_mm", str(error)) from error
    return Reach(reach_mm=made.reach_mm, sd_mm=made.sd_mm, said=say_reach(made))
