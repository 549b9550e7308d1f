"""The scene file (`.zirkel-scene.json`): what may stand in it, and the way to the core's record."""

from __future__ import annotations

import math
from typing import Annotated, Any, Literal

from pydantic import BaseModel, ConfigDict, Field, ValidationError

from zirkel.core.subject.scene import (
    BEHIND,
    GROUND,
    Scene,
    SceneLandmark,
    landmark_points,
    unit_length,
    view_of,
)
from zirkel.core.subject.solids import AnySolid
from zirkel.core.subject.station import NEAREST_MM
from zirkel.errors import BadInput
from zirkel.studyfile.entries import Finite, Id, Name, Note, Tier
from zirkel.studyfile.problems import said_plainly, shown
from zirkel.studyfile.read import parse_json
from zirkel.studyfile.schema import FileFamily, FileShape, FileStation, FileUnitPair

MOST_SOLIDS = 120
MOST_FACES = 4000
Side = Literal["left", "right", "front", "back"]
World = tuple[Finite, Finite, Finite]
Colour = Annotated[str, Field(pattern=r"^#[0-9a-f]{6}$")]


class _Strict(BaseModel):
    model_config = ConfigDict(extra="forbid", populate_by_name=True)


class FileSceneLandmark(_Strict):
    """A landmark: `at` a place, or `on` a solid where the outline of its ring is seen."""

    id: Id
    name: Name
    tier: Tier = 1
    at: World | None = None
    on: Id | None = None
    ring: Annotated[int, Field(ge=0, le=500)] = 0
    side: Side = "front"


class FileColour(_Strict):
    """The own colour of some solids, as “#rrggbb”."""

    colour: Colour
    of: list[Id] = Field(min_length=1, max_length=MOST_SOLIDS)


class SceneFile(_Strict):
    """A scene of simple solids, in real-world millimetres."""

    format: Literal["zirkel-scene"]
    version: Literal[1]
    title: Name
    work: Name
    note: Note | None = None
    light: World = (-0.6, -0.5, 0.8)
    soft_deg: Annotated[float, Field(ge=0, le=45, allow_inf_nan=False)] = 2.5
    sky: Annotated[float, Field(ge=0, le=1, allow_inf_nan=False)] = 0.22
    outdoors: bool = False
    ground_mm: Finite | None = None
    ground: Colour = GROUND
    behind: Colour = BEHIND
    station: FileStation
    unit: FileUnitPair
    solids: list[Annotated[AnySolid, Field(discriminator="kind")]] = Field(
        min_length=1, max_length=MOST_SOLIDS
    )
    landmarks: list[FileSceneLandmark] = Field(min_length=2, max_length=300)
    shapes: list[FileShape] = Field(default_factory=list, max_length=200)
    families: list[FileFamily] = Field(default_factory=list, max_length=20)
    joined: list[list[Id]] = Field(default_factory=list, max_length=50)
    dark: list[Id] = Field(default_factory=list, max_length=MOST_SOLIDS)
    colours: list[FileColour] = Field(default_factory=list, max_length=MOST_SOLIDS)


def read_scene(name: str, data: bytes) -> Scene:
    """A scene from the bytes of a scene file; BadInput names what is wrong with it."""
    document = parse_json(data)
    if not isinstance(document, dict):
        raise BadInput("file", "a scene file is one JSON object, from { to }")
    if document.get("format") != "zirkel-scene":
        found = shown(document.get("format"))
        raise BadInput("format", f"must be “zirkel-scene”, but is {found}: is it a scene file?")
    _refuse_endless(document, "")
    try:
        return _to_core(name, SceneFile.model_validate(document))
    except ValidationError as error:
        raise said_plainly(error, document) from error


def _refuse_endless(part: Any, path: str) -> None:
    """BadInput for a number that is infinite or far beyond any place on earth."""
    if isinstance(part, dict | list):
        for key, value in part.items() if isinstance(part, dict) else enumerate(part):
            _refuse_endless(value, f"{path}.{key}" if path else str(key))
    elif isinstance(part, float | int) and not (math.isfinite(part) and abs(part) < 1e7):
        raise BadInput(path, f"{part:g} is too large: a scene is at most 10 km wide, in mm")


def _to_core(name: str, file: SceneFile) -> Scene:
    scene = Scene(
        name=name,
        title=file.title,
        work=file.work,
        solids=tuple(file.solids),
        landmarks=tuple(
            SceneLandmark(m.id, m.name, m.tier, m.at, m.on, m.ring, m.side) for m in file.landmarks
        ),
        shapes=tuple(file.shapes),
        unit=file.unit,
        station=file.station,
        light=file.light,
        families={each.name: (tuple(each.edges), each.level) for each in file.families},
        joined=tuple(tuple(each) for each in file.joined),
        dark=frozenset(file.dark),
        soft_deg=file.soft_deg,
        sky=file.sky,
        outdoors=file.outdoors,
        ground_mm=file.ground_mm,
        ground=file.ground,
        behind=file.behind,
        colours={solid: each.colour for each in file.colours for solid in each.of},
    )
    _check(scene)
    return scene


def _check(scene: Scene) -> None:
    """BadInput where parts of a scene name what isn't there, or nothing can be seen of it."""
    solids = _no_twins("solids", [each.id for each in scene.solids])
    names = _no_twins("landmarks", [each.id for each in scene.landmarks])
    if len(scene.faces) > MOST_FACES:
        raise BadInput("solids", f"have more than {MOST_FACES} faces in all: use fewer `sides`")
    if not any(scene.light):
        raise BadInput("light", "has no direction: give x, y and z towards the light")
    for number, each in enumerate(scene.landmarks):
        if each.at is None and each.on not in solids:
            raise BadInput(
                f"landmarks.{number}.on",
                f"“{each.id}” needs a place `at`, or a solid of this scene to be `on`",
            )
    for field, ids in (
        ("dark", scene.dark),
        *(("joined", each) for each in scene.joined),
        ("colours", scene.colours),
    ):
        for each_id in ids:
            if each_id not in solids:
                raise BadInput(field, f"there is no solid “{each_id}” in this scene")
    used = [("unit.from", scene.unit.start), ("unit.to", scene.unit.end)]
    for number, shape in enumerate(scene.shapes):
        used += [(f"shapes.{number}.outline", each) for each in shape.outline]
    for family in scene.families:
        used += [("families", end) for edge in scene.families[family][0] for end in edge]
    for field, landmark in used:
        if landmark not in names:
            raise BadInput(field, f"there is no landmark “{landmark}” in this scene")
    _check_sight(scene)


def _no_twins(field: str, ids: list[str]) -> set[str]:
    for number, each in enumerate(ids):
        if each in ids[:number]:
            raise BadInput(f"{field}.{number}.id", f"“{each}” is used twice: give each its own id")
    return set(ids)


def _check_sight(scene: Scene) -> None:
    view = view_of(scene, scene.station)
    points = landmark_points(scene, view)
    for number, each in enumerate(scene.landmarks):
        if each.id not in points:
            raise BadInput(
                f"landmarks.{number}.ring",
                f"“{each.id}” asks for ring {each.ring} of “{each.on}”, which has no such ring",
            )
        if view.of(points[each.id])[0, 2] <= NEAREST_MM:
            raise BadInput(
                "station.distance_mm",
                f"“{each.id}” would be behind the eye: stand further away than "
                f"{scene.station.distance_mm:g} mm",
            )
    seen = {name: view.seen(point)[0] for name, point in points.items()}
    if unit_length(seen, scene.unit) < 1e-6:
        raise BadInput("unit", "its two ends are seen at one place: choose another unit")
