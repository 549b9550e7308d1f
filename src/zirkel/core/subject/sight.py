"""What an artist can sight from a station: how the stick is held there, and what nothing hides."""

from __future__ import annotations

import numpy as np

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
