"""Where the adjustment starts: the thumbnail brought to the size of the readings.

The thumbnail comes in any scale. Its scale is the sum of all lengths read divided by the sum of
the same lengths on the thumbnail, a ratio that one bad tap cannot spoil; its origin is the unit's.
Landmarks that were never tapped are laid on a spiral about the middle of the others, so that no
two start in one place.
"""

from __future__ import annotations

import math

import numpy as np

from zirkel.core.arrays import TINY, Array
from zirkel.core.sightings import Span
from zirkel.core.study import PictureSubject, Study, UnitLength, UnitPair

ROOM = 0.8
"""Of the sheet's shorter side."""

GOLDEN_ANGLE = math.pi * (3.0 - math.sqrt(5.0))


def thumbnail_scale(study: Study) -> float:
    """Units, or millimetres where those are read, per length of the thumbnail."""
    rough = {each.id: each.rough for each in study.landmarks}
    read = drawn = 0.0
    for start, end, along, units in _lengths(study):
        a, b = rough.get(start), rough.get(end)
        if a is not None and b is not None:
            read += units
            drawn += _length(b[0] - a[0], b[1] - a[1], along)
    if read > 0 and drawn > TINY:
        return read / drawn
    return _pixels(study) if isinstance(study.unit, UnitLength) else 1.0


def _pixels(study: Study) -> float:
    """Millimetres that a pixel of a picture stands for before anything is read: by its measured
    size, else as large as the sheet has room; 1 where no picture was tapped."""
    picture = study.subject
    if not isinstance(picture, PictureSubject):
        return 1.0
    if picture.mm_per_px is not None:
        return picture.mm_per_px
    tapped = np.array([each.rough for each in study.landmarks if each.rough is not None])
    extent = float(np.ptp(tapped, axis=0).max()) if len(tapped) > 1 else 0.0
    sheet = study.sheet
    return ROOM * min(sheet.width_mm, sheet.height_mm) / extent if extent > TINY else 1.0


def thumbnail_places(study: Study) -> Array:
    """(n, 2) places in units, anywhere: the thumbnail at the size of the readings."""
    return _tapped_or_spiral(study) * thumbnail_scale(study)


def on_datum(study: Study, places: Array) -> Array:
    """The places (n, 2) moved so that the unit's origin is at (0, 0) and its end exactly 1 away."""
    index = {each.id: i for i, each in enumerate(study.landmarks)}
    if isinstance(study.unit, UnitLength):
        return places - places[index[study.unit.origin]]
    if not isinstance(study.unit, UnitPair):
        return places
    there = places - places[index[study.unit.start]]
    end = index[study.unit.end]
    there[end] = _unit_end(study.unit, there[end])
    return there


def _unit_end(unit: UnitPair, rough: Array) -> Array:
    """The unit's end, on the side where the thumbnail has it; right or below in doubt."""
    if unit.along == "straight":
        length = np.hypot(rough[0], rough[1])
        return rough / length if length > TINY else np.array([0.0, 1.0])
    axis = 0 if unit.along == "level" else 1
    end = rough.copy()
    end[axis] = -1.0 if rough[axis] < 0 else 1.0
    return end


def _lengths(study: Study) -> list[tuple[str, str, str, float]]:
    found = [
        (s.start, s.end, s.along, s.units)
        for s in study.sightings
        if isinstance(s, Span) and not s.struck
    ]
    if isinstance(study.unit, UnitPair):
        found.append((study.unit.start, study.unit.end, study.unit.along, 1.0))
    return found


def _length(dx: float, dy: float, along: str) -> float:
    if along == "straight":
        return math.hypot(dx, dy)
    return abs(dx) if along == "level" else abs(dy)


def _tapped_or_spiral(study: Study) -> Array:
    tapped = np.array([each.rough or (np.nan, np.nan) for each in study.landmarks], dtype=float)
    tapped = tapped.reshape(-1, 2)
    missing = np.isnan(tapped[:, 0])
    if not missing.any():
        return tapped
    known = tapped[~missing]
    middle = known.mean(axis=0) if len(known) else np.zeros(2)
    reach = float(np.ptp(known, axis=0).max()) if len(known) > 1 else 1.0
    order = np.arange(1, missing.sum() + 1)
    radius = 0.5 * reach * np.sqrt(order / len(order))
    angle = GOLDEN_ANGLE * order
    spiral = np.stack([np.cos(angle), np.sin(angle)], axis=1) * radius[:, None]
    tapped[missing] = middle + spiral
    return tapped
