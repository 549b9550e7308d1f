"""What stands on the subject side: a scene from its station, a picture, or the rough thumbnail."""

from __future__ import annotations

from base64 import b64encode
from collections.abc import Mapping
from dataclasses import dataclass
from threading import Lock
from urllib.parse import urlencode

import numpy as np
from cachetools import LRUCache, cached
from pydantic import BaseModel

from zirkel.core.arrays import Array
from zirkel.core.check.true_places import LEAST
from zirkel.core.lesson.limits import truth_is_shown
from zirkel.core.network.start import thumbnail_scale
from zirkel.core.sheet.plan import Plan
from zirkel.core.study import PictureSubject, SimulatedSubject, Study, UnitPair
from zirkel.core.subject.flat import crop_box, flat_places
from zirkel.core.subject.picture import box_of
from zirkel.core.subject.scene import Scene, seen_landmarks, unit_length
from zirkel.core.subject.sight import sightable
from zirkel.core.subject.station import Station
from zirkel.core.words.faults import FAULT_WORDS
from zirkel.pictures.scene_svg import drawn, drawn_by
from zirkel.rendering.render import WIDE, Rendered, rendered
from zirkel.scenes import SMALL, thumbnail
from zirkel.store.store import Store, Stored
from zirkel.studyfile.schema import FilePicture

KEPT = 40
SEEN_KEPT = 24
"""Rendered scenes of some three megabytes each."""
DIGITS = 4


class BenchSubject(BaseModel):
    """The subject side. `kind` is scene, picture or thumbnail; `image` the address of what is
    shown, which lies at `left_mm`, `top_mm` and is `width_mm` by `height_mm`, at the drawing's
    size. `hidden` are landmarks that something hides; `faults` what the hand is made to suffer;
    `revealing` says whether its truth can be looked at."""

    kind: str
    title: str | None = None
    revealing: bool = False
    scene: str | None = None
    picture: FilePicture | None = None
    image: str | None = None
    lines: str | None = None
    """Where a scene is served drawn in lines."""
    left_mm: float = 0.0
    top_mm: float = 0.0
    width_mm: float = 0.0
    height_mm: float = 0.0
    hidden: list[str] = []
    faults: list[str] = []
    missing: str | None = None
    """What is missing to show it, in words."""
    tapped: tuple[float, float, float] | None = None
    """Of a thumbnail: mm that one of its own lengths takes on this side, and where its origin
    lies."""


@dataclass(frozen=True, slots=True)
class Sight:
    """Places (2,) of landmarks as seen, y down, any scale; the size of the unit in that scale;
    and the box of the picture that is shown."""

    places: Mapping[str, Array]
    unit: float
    box: tuple[float, float, float, float] | None


_drawings: LRUCache[tuple[object, ...], bytes] = LRUCache(KEPT)
_rendered: LRUCache[tuple[object, ...], Rendered] = LRUCache(SEEN_KEPT)
_rendering = Lock()
_hidden: LRUCache[tuple[str, Station], tuple[str, ...]] = LRUCache(KEPT)


@cached(_drawings, key=lambda scene, station: (scene.name, station, scene.light), lock=Lock())
def draw_scene(scene: Scene, station: Station) -> bytes:
    """The scene from the station, as SVG; kept, since it takes up to a second."""
    return drawn(scene, station)


def scene_picture(store: Store, scene: Scene, station: Station) -> bytes:
    """The same; from the scene's own station and in its own light it is kept from one start to the
    next."""
    if station != scene.station or scene.light != store.scenes.get(scene.name).light:
        return draw_scene(scene, station)
    kept = store.scenes.drawing(scene.name, drawn_by())
    if kept is None:
        kept = draw_scene(scene, station)
        store.scenes.keep_drawing(scene.name, drawn_by(), kept)
    return kept


def render_scene(scene: Scene, station: Station, wide: int = WIDE) -> Rendered:
    """The scene as seen from the station; kept. One at a time: of many who ask for the same, as a
    class does, the first waits for it and the others are given it, and the processor is left to
    readings in between."""
    key = (scene.name, station, scene.light, scene.soft_deg, scene.sky, wide)
    with _rendering:
        found = _rendered.get(key)
        if found is None:
            found = rendered(scene, station, wide)
            _rendered[key] = found
    return found


@cached(_hidden, key=lambda scene, station: (scene.name, station), lock=Lock())
def hidden_landmarks(scene: Scene, station: Station) -> tuple[str, ...]:
    """Ids of the landmarks that can't be seen from the station; kept."""
    clear = set(sightable(scene, station))
    return tuple(m.id for m in scene.landmarks if m.id not in clear)


def hidden_from(stored: Stored) -> tuple[str, ...]:
    """Ids of the landmarks that something hides from the artist; none where no scene is shown."""
    subject = stored.study.subject
    if not isinstance(subject, SimulatedSubject) or stored.scene is None:
        return ()
    return hidden_landmarks(stored.scene, subject.station)


def scene_address(scene: str, station: Station, light: str | None = None) -> str:
    """Where the drawing of a scene from a station is served."""
    return f"/api/v1/scenes/{scene}/picture.svg?{_asked(station, light)}"


def seen_address(scene: str, station: Station, light: str | None = None) -> str:
    """Where the scene as it is seen from a station is served."""
    return f"/api/v1/scenes/{scene}/seen.webp?{_asked(station, light)}"


def thumbnail_address(scene: Scene) -> str:
    """A small picture of a scene: of one that ships within the address, so that a wall of them
    comes in one answer."""
    kept = thumbnail(scene.name)
    if kept is None:
        return f"{seen_address(scene.name, scene.station)}&wide={SMALL}"
    return f"data:image/webp;base64,{b64encode(kept).decode()}"


def _asked(station: Station, light: str | None) -> str:
    said = {
        "distance_mm": station.distance_mm,
        "eye_height_mm": station.eye_height_mm,
        "direction_deg": station.direction_deg,
    }
    return urlencode(said | ({"light": light} if light else {}))


def picture_address(picture: PictureSubject) -> str:
    """Where the picture is served as it is looked at."""
    said = {
        "crop": ",".join(f"{each:.{DIGITS}f}" for each in picture.crop),
        "turn": f"{picture.turn_deg:.{DIGITS}f}",
        "grey": int(picture.grey),
        "contrast": picture.contrast,
        "squint": picture.squint,
        "tones": picture.tones,
    }
    return f"/api/v1/pictures/{picture.picture}/view?{urlencode(said)}"


def sight_of(stored: Stored) -> Sight:
    """What is truly seen, or what was tapped, for each landmark of the study."""
    study, subject = stored.study, stored.study.subject
    if isinstance(subject, SimulatedSubject) and stored.scene is not None:
        seen = seen_landmarks(stored.scene, subject.station)
        known = {each.id: seen[each.id] for each in study.landmarks if each.id in seen}
        box = box_of(stored.scene, subject.station)
        return Sight(known, _unit_of(study, known, stored.scene), box)
    if isinstance(subject, PictureSubject):
        places = dict(flat_places(study, subject))
        return Sight(places, _unit_of(study, places, None), crop_box(subject))
    tapped = {m.id: np.array(m.rough) for m in study.landmarks if m.rough is not None}
    return Sight(tapped, 0.0, None)


def _unit_of(study: Study, places: Mapping[str, Array], scene: Scene | None) -> float:
    """The unit's length as seen; 0 where it can't be known."""
    unit = study.unit
    if isinstance(unit, UnitPair) and unit.start in places and unit.end in places:
        return unit_length(places, unit)
    if scene is not None and {scene.unit.start, scene.unit.end} <= places.keys():
        return unit_length(places, scene.unit)
    return 0.0


@dataclass(frozen=True, slots=True)
class Laid:
    """How what is seen lies beside the sheet: place in mm = origin + size * place as seen."""

    size: float
    origin: Array

    def place(self, seen: Array) -> tuple[float, float]:
        """mm on the subject side."""
        at = self.origin + self.size * seen
        return float(at[0]), float(at[1])


def lay_beside(study: Study, sight: Sight, plan: Plan) -> Laid | None:
    """What is seen at the drawing's size, shifted so that heights agree as well as they can."""
    if plan.unit_mm is None:
        return None
    size = plan.unit_mm / sight.unit if sight.unit > 0 else thumbnail_scale(study) * plan.unit_mm
    drawn = [(plan.marks[name].held_left_mm, plan.marks[name].held_top_mm) for name in sight.places]
    if drawn:
        there = np.array(list(sight.places.values())) * size
        return Laid(size, np.median(np.array(drawn) - there, axis=0))
    if sight.box is None:
        return None
    sheet = study.sheet
    left, top, right, bottom = sight.box
    fit = 0.8 * min(sheet.width_mm / (right - left), sheet.height_mm / (bottom - top))
    middle = np.array([left + right, top + bottom]) / 2.0 * fit
    return Laid(fit, np.array([sheet.width_mm, sheet.height_mm]) / 2.0 - middle)


def _picture(subject: object) -> PictureSubject | None:
    return subject if isinstance(subject, PictureSubject) else None


def bench_subject(stored: Stored, sight: Sight, laid: Laid | None) -> BenchSubject:
    """The subject side as the bench shows it."""
    subject = stored.study.subject
    if subject is None or laid is None:
        tapped = None if laid is None else (laid.size, float(laid.origin[0]), float(laid.origin[1]))
        return BenchSubject(
            kind="thumbnail", picture=_picture(subject), tapped=tapped,
            revealing=len(stored.study.photographed) >= LEAST,
        )  # fmt: skip
    if isinstance(subject, PictureSubject):
        title, image = "Picture", picture_address(subject)
        hidden: list[str] = []
        faults: list[str] = []
        kind = "picture"
    else:
        if stored.scene is None:
            return BenchSubject(
                kind="thumbnail",
                missing=f"The scene “{subject.scene}” is not here: add its file at the station.",
            )
        title, image = (
            stored.scene.title,
            seen_address(subject.scene, subject.station, subject.light),
        )
        hidden = list(hidden_landmarks(stored.scene, subject.station))
        faults = [FAULT_WORDS[name].title for name in subject.faults]
        kind = "scene"
    simulated = subject if isinstance(subject, SimulatedSubject) else None
    box = sight.box or (0.0, 0.0, 1.0, 1.0)
    left, top = laid.place(np.array(box[:2]))
    right, bottom = laid.place(np.array(box[2:]))
    return BenchSubject(
        kind=kind,
        title=title,
        revealing=kind == "scene" and truth_is_shown(stored.study),
        scene=simulated and simulated.scene,
        picture=_picture(subject),
        image=image,
        lines=simulated and scene_address(simulated.scene, simulated.station, simulated.light),
        left_mm=left,
        top_mm=top,
        width_mm=right - left,
        height_mm=bottom - top,
        hidden=hidden,
        faults=faults,
    )
