"""What an artist can sight from a station: how the stick is held there, and what nothing hides."""

from __future__ import annotations

import numpy as np

from zirkel.core.study import PictureSubject, SimulatedSubject, Study, UnitPair
from zirkel.core.subject.calculator import sight_size
from zirkel.core.subject.flat import unit_on_print_mm
from zirkel.core.subject.picture import visible
from zirkel.core.subject.scene import Scene, landmark_points, seen_landmarks, unit_length, view_of
from zirkel.core.subject.station import Station
from zirkel.core.subject.stick import Holding


def holding(scene: Scene, station: Station) -> Holding:
    """How the stick is held at the station: the unit's size at the middle of the scene."""
    seen = seen_landmarks(scene, station)
    unit_mm = unit_length(seen, scene.unit) * station.distance_mm
    return Holding(station.reach_mm, station.distance_mm, unit_mm)


def sightable(scene: Scene, station: Station) -> list[str]:
    """Ids of the landmarks that nothing hides from the station."""
    points = landmark_points(scene, view_of(scene, station))
    clear = visible(scene, station, np.array(list(points.values())))
    return [name for name, seen in zip(points, clear, strict=True) if seen]


def sight_size_of(study: Study, scene: Scene | None) -> float | None:
    """What the study's unit measures on a sheet at sight-size, in mm: before a simulated subject by
    its station, beside a print as large as on it; None where it can't be known."""
    subject, unit = study.subject, study.unit
    if isinstance(subject, PictureSubject):
        return unit_on_print_mm(study)
    if not isinstance(subject, SimulatedSubject) or scene is None or not isinstance(unit, UnitPair):
        return None
    station = subject.station
    seen = seen_landmarks(scene, station)
    if not {unit.start, unit.end} <= seen.keys():
        return None
    at_subject = unit_length(seen, unit) * station.distance_mm
    return sight_size(at_subject, station.easel_mm, station.distance_mm) or None
