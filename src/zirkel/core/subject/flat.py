"""A picture as the subject: turned to true, cropped, and measured.

A landmark's thumbnail place on a picture is in pixels of the whole upright picture. What is looked
at is that picture turned clockwise by `turn_deg` about its middle, on a canvas that just holds it;
places there are pixels from the canvas's top-left corner, and the crop is in shares of the canvas.
"""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence

import numpy as np

from zirkel.core.arrays import Array
from zirkel.core.sightings import Drop, Level, Sighting
from zirkel.core.sightings.base import COMPUTED
from zirkel.core.study import PictureSubject, Study, Unit, UnitLength, UnitPair

CLICK_PX = 1.5
"""One standard deviation of setting a landmark on a picture with the magnifier, in pixels."""


SHORTEST_PX = 10.0
"""A unit shorter than this on the picture counts nothing."""


def canvas_size(picture: PictureSubject) -> tuple[float, float]:
    """Width and height of the canvas that holds the turned picture, in pixels."""
    c, s = _turn(picture)
    c, s = abs(c), abs(s)
    return (
        picture.width * c + picture.height * s,
        picture.width * s + picture.height * c,
    )


def crop_box(picture: PictureSubject) -> tuple[float, float, float, float]:
    """left, top, right, bottom of what is looked at, in pixels of the canvas."""
    width, height = canvas_size(picture)
    left, top, right, bottom = picture.crop
    return left * width, top * height, right * width, bottom * height


def on_canvas(picture: PictureSubject, places: Array) -> Array:
    """Places (n, 2) of the upright picture, on the canvas."""
    c, s = _turn(picture)
    middle = np.array([picture.width, picture.height]) / 2.0
    turned: Array = (places - middle) @ np.array([[c, s], [-s, c]])
    return turned + np.array(canvas_size(picture)) / 2.0


def on_picture(picture: PictureSubject, places: Array) -> Array:
    """Places (n, 2) of the canvas, on the upright picture."""
    c, s = _turn(picture)
    middle = np.array([picture.width, picture.height]) / 2.0
    there: Array = (places - np.array(canvas_size(picture)) / 2.0) @ np.array([[c, -s], [s, c]])
    return there + middle


def turn_to_true(start: Sequence[float], end: Sequence[float]) -> float:
    """By how many degrees clockwise the picture turns so that start→end comes out plumb or level,
    whichever is nearer; both are places on the upright picture. ValueError for one place."""
    across, down = end[0] - start[0], end[1] - start[1]
    if math.hypot(across, down) < 1.0:
        raise ValueError("the two points are one: set them further apart along an edge")
    tilt = math.degrees(math.atan2(down, across))
    return (-tilt + 45.0) % 90.0 - 45.0


def true_size(start: Sequence[float], end: Sequence[float], length_mm: float) -> float:
    """Millimetres on paper per pixel, from one measured length. ValueError for no length."""
    px = math.hypot(end[0] - start[0], end[1] - start[1])
    if px < 1.0 or not length_mm > 0:
        raise ValueError("measure a length between two different points, in mm above 0")
    return length_mm / px


def computed_readings(study: Study, picture: PictureSubject) -> tuple[Sighting, ...]:
    """All landmarks of the picture read off against the unit's first end: one drop and one level
    each, with the error of a click. Empty without a unit that has a length on the picture; where
    millimetres are read, without its measured size."""
    places = flat_places(study, picture)
    found = _counted_from(study.unit, picture, places)
    if found is None:
        return ()
    origin, length = found
    sigma = math.sqrt(2.0) * CLICK_PX / length
    made: list[Sighting] = []
    for name, place in places.items():
        if name == origin:
            continue
        across, down = (place - places[origin]) / length
        for kind, offset in ((Drop, across), (Level, down)):
            made.append(
                kind(
                    id=f"computed_{kind.kind}_{name}",
                    start=origin,
                    end=name,
                    offset=round(float(offset), 5),
                    sigma=round(sigma, 5),
                    note=COMPUTED,
                )
            )
    return tuple(made)


def _counted_from(
    unit: Unit | None, picture: PictureSubject, places: Mapping[str, Array]
) -> tuple[str, float] | None:
    """From which landmark readings are counted, and how many pixels make one of what they count;
    None where that can't be told on the picture."""
    if isinstance(unit, UnitLength):
        known = unit.origin in places and picture.mm_per_px is not None
        return (unit.origin, 1.0 / picture.mm_per_px) if known and picture.mm_per_px else None
    if unit is None or unit.start not in places or unit.end not in places:
        return None
    d = places[unit.end] - places[unit.start]
    length = {"straight": math.hypot(*d), "level": abs(d[0]), "plumb": abs(d[1])}[unit.along]
    return (unit.start, length) if length >= SHORTEST_PX else None


def flat_places(study: Study, picture: PictureSubject) -> Mapping[str, Array]:
    """Place (2,) of each landmark on the canvas, for those that were set."""
    return {
        each.id: on_canvas(picture, np.array([each.rough]))[0]
        for each in study.landmarks
        if each.rough is not None
    }


def _turn(picture: PictureSubject) -> tuple[float, float]:
    turn = math.radians(picture.turn_deg)
    return math.cos(turn), math.sin(turn)


def unit_on_print_mm(study: Study) -> float | None:
    """The unit's length on the print itself, measured along the unit's own direction; None where
    the print's size isn't known or the unit isn't on it."""
    picture, unit = study.subject, study.unit
    if not isinstance(picture, PictureSubject) or picture.mm_per_px is None:
        return None
    places = flat_places(study, picture)
    if not isinstance(unit, UnitPair) or unit.start not in places or unit.end not in places:
        return None
    dx, dy = (float(each) for each in places[unit.end] - places[unit.start])
    px = {"straight": math.hypot(dx, dy), "level": abs(dx), "plumb": abs(dy)}[unit.along]
    return px * picture.mm_per_px or None
